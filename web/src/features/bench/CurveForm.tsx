import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useEffect, useState } from "react";
import type { Schemas } from "../../api/calls";
import { devicesQuery } from "../../api/queries";
import type { Refusal } from "../../api/refusal";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { count } from "../../components/count";
import { Entry } from "../../components/Entry";
import { FormFooter } from "../../components/FormFooter";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Tick } from "../../components/Tick";
import { Conflict } from "../../shared/Conflict";
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
  const { write, ask, problem, busy, take } = useWrite(close);
  const [wanted, setWanted] = useState(test);
  const keep = (base: string) => void write(putTest(wanted, base));
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
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    // read anew: what was typed last may not be read yet
    const now = await ask(() => readSteps(text, row, turned));
    if (!now) return;
    const changed = testTyped(test, place, typed, now.steps);
    setWanted(changed);
    await write(putTest(changed, view.version));
  };
  const field = (name: string) =>
    problem?.field?.startsWith(`curves.${place}.${name}`) ? problem.message : null;
  const slip = (...names: (string | null)[]) =>
    unread && names.includes(unread.field) ? unread.message : null;
  const tablet = byTablet(how);
  return (
    <>
      <Sheet
        open
        close={close}
        title={known ? `Development, ${known.id}` : "Add a development"}
        footer={
          <FormFooter close={close} form="curve" disabled={busy || Boolean(unread)}>
            Save
          </FormFooter>
        }
      >
        <form
          id="curve"
          onSubmit={submit}
          style={{ display: "flex", flexDirection: "column", gap: 16 }}
        >
          <Grid templateColumns="1fr 1fr" gap="4">
            <Entry
              label="Minutes"
              inputMode="decimal"
              value={typed.minutes}
              onChange={(event) => type({ minutes: event.target.value })}
              problem={field("minutes")}
            />
            <Entry
              label="Base plus fog"
              help="clear film of this development"
              inputMode="decimal"
              value={typed.fog}
              onChange={(event) => type({ fog: event.target.value })}
              problem={field("base_fog")}
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
                onChange={(event) => type({ first: event.target.value })}
                problem={slip("row.first")}
              />
            )}
            {how === "even" && (
              <Entry
                label={light ? "Step, log H" : "Step, stops"}
                inputMode="decimal"
                value={typed.step}
                onChange={(event) => type({ step: event.target.value })}
                problem={slip("row.step")}
              />
            )}
            {!light && (
              <Entry
                label="Meter set to EI"
                inputMode="decimal"
                value={typed.ei}
                onChange={(event) => type({ ei: event.target.value })}
                problem={field("exposure")}
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
              onChange={(event) => type({ own: event.target.value })}
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
            onChange={(event) => type({ text: event.target.value })}
            problem={slip("text", null) ?? field("steps")}
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
          <Problem of={problem} />
          <Conflict problem={problem} mine={wanted} keep={keep} take={take} />
        </form>
      </Sheet>
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
      <Box color="ink2" fontSize="14px">
        simulated densitometer
      </Box>
      <Problem of={problem} />
    </>
  );
}
