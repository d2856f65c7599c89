import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/calls";
import { devicesQuery } from "../../api/queries";
import type { Refusal } from "../../api/refusal";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { count } from "../../components/count";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Tick } from "../../components/Tick";
import { Small } from "../../components/text";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { putTest, readDensities, readPatch, type TestView } from "./queries";
import { ScanSheet } from "./ScanSheet";
import { byTablet, type Row, rowTyped, type TypedCurve, testTyped } from "./typedCurve";

type Read = Pick<Schemas["ReadDensities"], "steps" | "turned">;

const NONE: Read = { steps: [], turned: false };

/** The steps as they are typed; none while nothing is, since densities may come later. */
const readSteps = async (text: string, row: Row, turn: boolean): Promise<Read> =>
  text.trim() ? readDensities({ text, row, turn }) : NONE;

/** One development of a test: its minutes, its clear film, and the densities of its steps. */
export function CurveForm({
  view,
  place,
  close,
}: {
  view: TestView;
  /** which curve; the number of curves for a new one */
  place: number;
  close: () => void;
}) {
  const { test } = view;
  const known = test.curves?.[place];
  const [typed, setTyped] = useState(view.forms[place] as TypedCurve);
  const type = (change: Partial<TypedCurve>) => setTyped((before) => ({ ...before, ...change }));
  const { light, text, kept: keptAt } = typed;
  const how = typed.how as Row["how"];
  const [turned, setTurned] = useState(false);
  const [read, setRead] = useState<Read>(NONE);
  const [unread, setUnread] = useState<Refusal | null>(null);
  const [scanning, setScanning] = useState(false);
  const writing = useWrite(close);
  const { write, ask } = writing;
  const [wanted, setWanted] = useState(test);
  const row = rowTyped(typed);
  const asked = JSON.stringify(row);
  useEffect(() => {
    let here = true;
    readSteps(text, JSON.parse(asked), turned).then(
      (found) => {
        if (!here) return;
        setRead(found);
        setUnread(null);
      },
      (refusal: Refusal) => here && setUnread(refusal),
    );
    return () => {
      here = false;
    };
  }, [text, asked, turned]);
  const keep = async (base: string) => {
    // read anew: what was typed last may not be read yet
    const now = await ask(() => readSteps(text, row, turned));
    if (!now) return;
    const changed = testTyped(test, place, typed, now.steps);
    setWanted(changed);
    await write(putTest(changed, base));
  };
  const field = (name: string) => `curves.${place}.${name}`;
  const slip = (...names: (string | null)[]) =>
    unread && names.includes(unread.field) ? unread.message : null;
  const tablet = byTablet(how);
  return (
    <>
      <FormSheet
        close={close}
        title={known ? `Development, ${known.id}` : "Add a development"}
        writing={writing}
        keep={(base) => void keep(base)}
        base={view.version}
        mine={wanted}
        unready={Boolean(unread)}
      >
        <Grid templateColumns="1fr 1fr" gap="4">
          <Entry
            label="Minutes"
            inputMode="decimal"
            value={typed.minutes}
            onText={(text) => type({ minutes: text })}
            field={field("minutes")}
          />
          <Entry
            label="Base plus fog"
            help="clear film of this development"
            inputMode="decimal"
            value={typed.fog}
            onText={(text) => type({ fog: text })}
            field={field("base_fog")}
          />
          <Choose
            label="Exposures"
            value={how}
            options={[
              { value: "even", label: "even steps" },
              { value: "21-step tablet", label: "21-step tablet" },
              { value: "31-step tablet", label: "31-step tablet" },
              { value: "own tablet", label: "own tablet" },
              ...(keptAt.length > 0
                ? [{ value: "kept", label: `as they are (${count(keptAt.length, "step")})` }]
                : []),
            ]}
            onChange={(value) => type({ how: value as Row["how"] })}
          />
          <Choose
            label="Known as"
            value={light ? "light" : "meter"}
            options={[
              { value: "meter", label: "stops from V, by the meter" },
              { value: "light", label: "log H, in lux seconds" },
            ]}
            onChange={(value) => type({ light: value === "light" })}
          />
          {how !== "kept" && (
            <Entry
              label={
                tablet
                  ? light
                    ? "log H beside the tablet"
                    : "Light beside the tablet, stops from V"
                  : light
                    ? "First step, log H"
                    : "First step (stops from V)"
              }
              inputMode="text"
              value={typed.first}
              onText={(text) => type({ first: text })}
              problem={slip("row.first")}
            />
          )}
          {how === "even" && (
            <Entry
              label={light ? "Step, log H" : "Step, stops"}
              inputMode="decimal"
              value={typed.step}
              onText={(text) => type({ step: text })}
              problem={slip("row.step")}
            />
          )}
          {!light && (
            <Entry
              label="Meter set to EI"
              inputMode="decimal"
              value={typed.ei}
              onText={(text) => type({ ei: text })}
              field={field("exposure")}
            />
          )}
        </Grid>
        {how === "own tablet" && (
          <Entry
            label="Densities of the tablet"
            help="as its sheet gives them, with spaces between"
            multiline
            rows={3}
            value={typed.own}
            onText={(text) => type({ own: text })}
            problem={
              slip("tablet", "row.tablet") ??
              (unread?.field?.startsWith("row.tablet.") ? unread.message : null)
            }
          />
        )}
        <Entry
          label="Densities"
          help="least exposure first, one on a line; paste a column, a table or CGATS text"
          multiline
          rows={9}
          value={text}
          onText={(typed) => type({ text: typed })}
          problem={slip("text", null)}
          field={field("steps")}
        />
        <Flex gap="3" align="center" wrap="wrap">
          <Button onClick={() => setScanning(true)}>Read from a scan</Button>
          <Densitometer
            place={read.steps.length}
            take={(density) =>
              setTyped((before) => ({
                ...before,
                text: `${before.text.trim()}\n${density}`.trim(),
              }))
            }
          />
        </Flex>
        {read.steps.length > 0 && (
          <Box aria-live="polite" color="ink2">
            {count(read.steps.length, "step")}
            {read.turned && (
              <Flex as="label" gap="2" align="center" minHeight="44px" color="ochre">
                <input
                  type="checkbox"
                  checked={turned}
                  onChange={(event) => setTurned(event.target.checked)}
                />
                They fall: turn them, the last is the least exposed
              </Flex>
            )}
          </Box>
        )}
      </FormSheet>
      {scanning && (
        <ScanSheet
          view={view}
          count={read.steps.length || (tablet ? (how === "31-step tablet" ? 31 : 21) : 13)}
          close={() => setScanning(false)}
          take={(column, clear) => {
            type({ text: column, ...(clear && { fog: clear }) });
            setScanning(false);
          }}
        />
      )}
    </>
  );
}

/** The densitometer, where there is one: a patch after the other. */
function Densitometer({ place, take }: { place: number; take: (density: string) => void }) {
  const simulated = useQuery(devicesQuery).data?.simulated;
  const [zeroed, setZeroed] = useState(false);
  const { ask, problem } = useWrite();
  if (!simulated) return null;
  const next = () => ask(async () => take((await readPatch(place, zeroed)).text));
  return (
    <>
      <Button onClick={next}>Read next patch</Button>
      <Tick on={zeroed} set={setZeroed}>
        Zeroed
      </Tick>
      <Small>simulated densitometer</Small>
      <Problem of={problem} />
    </>
  );
}
