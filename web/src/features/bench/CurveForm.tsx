import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useEffect, useState } from "react";
import type { Refusal, Schemas } from "../../api/client";
import { devicesQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { count } from "../../components/count";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { Conflict } from "../../shared/Conflict";
import { useWrite } from "../../shared/useWrite";
import { type Curve, putTest, readDensities, readPatch, type TestView } from "./queries";
import { ScanSheet } from "./ScanSheet";

type Read = Pick<Schemas["ReadDensities"], "steps" | "turned">;
type Row = Schemas["StepRow"];

const NONE: Read = { steps: [], turned: false };

/** The steps as they are typed; none while nothing is, since densities may come later. */
const readSteps = async (text: string, row: Row, turn: boolean): Promise<Read> =>
  text.trim() ? readDensities({ text, row, turn }) : NONE;

const exposureOf = (step: Schemas["DensityStep"]) => step.stops ?? step.log_h ?? 0;

/** The densities of a typed list, by comma or point, as far as they are numbers. */
const numbersIn = (text: string) =>
  text
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((each) => typedNumber(each.replace(",", ".")));

/** How the steps of a curve lie: an even row when they do, else one by one as they are kept. */
function rowOf(known: Curve | undefined): { how: Row["how"]; first: string; step: string } {
  const at = (known?.steps ?? []).map(exposureOf).sort((a, b) => a - b);
  const [one, two] = at;
  if (one === undefined || two === undefined) return { how: "even", first: "-6", step: "1" };
  const step = two - one;
  const even = at.every((each, place) => Math.abs(each - one - place * step) < 1e-6);
  return {
    how: even ? "even" : "kept",
    first: String(Number(one.toFixed(4))),
    step: String(Number(step.toFixed(4))),
  };
}

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
  const known: Curve | undefined = test.curves?.[place];
  const like = known?.steps.length ? known : test.curves?.find((each) => each.steps.length > 0);
  const before = known ?? test.curves?.at(-1);
  const strip = test.strips?.find((each) => each.curve_id === known?.id);
  const tablet =
    test.target === "21-step tablet" ||
    test.target === "31-step tablet" ||
    test.target === "own tablet"
      ? test.target
      : null;
  const start = rowOf(like);
  const [minutes, setMinutes] = useState(known?.minutes ? String(known.minutes) : "");
  const [fog, setFog] = useState(before ? String(before.base_fog) : "");
  const [light, setLight] = useState(
    known ? known.exposure.kind === "lux_seconds" : test.tablet_log_h != null,
  );
  const [ei, setEi] = useState(
    before?.exposure.kind === "metered" ? String(before.exposure.ei) : "100",
  );
  const [how, setHow] = useState<Row["how"]>(
    known?.steps.length ? start.how : (tablet ?? (strip ? "even" : start.how)),
  );
  const [first, setFirst] = useState(
    known?.steps.length || !tablet
      ? strip && !known?.steps.length
        ? String(strip.first_stops)
        : start.first
      : String(test.tablet_log_h ?? 3),
  );
  const [step, setStep] = useState(
    strip && !known?.steps.length ? String(strip.step_stops) : start.step,
  );
  const [own, setOwn] = useState((test.tablet ?? []).join(" "));
  const [text, setText] = useState(
    [...(known?.steps ?? [])]
      .sort((a, b) => exposureOf(a) - exposureOf(b))
      .map((each) => String(Number(each.density.toFixed(3))))
      .join("\n"),
  );
  const [turned, setTurned] = useState(false);
  const [read, setRead] = useState<Read>(NONE);
  const [unread, setUnread] = useState<Refusal | null>(null);
  const [scanning, setScanning] = useState(false);
  const { write, ask, problem, busy, take } = useWrite(close);
  const [wanted, setWanted] = useState(test);
  const keep = (base: string) => void write(putTest(wanted, base));
  const simulated = useQuery(devicesQuery).data?.simulated;
  const [zeroed, setZeroed] = useState(false);
  const keptAt = (known ?? like)?.steps.map(exposureOf).sort((a, b) => a - b) ?? [];
  const row: Row = {
    how,
    first: typedNumber(first),
    step: typedNumber(step),
    tablet: how === "own tablet" ? numbersIn(own) : [],
    kept: how === "kept" ? keptAt : [],
    light,
  };
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
    const curve: Curve = {
      id: known?.id && strip ? known.id : minutes ? `${minutes} min` : `curve ${place + 1}`,
      minutes: minutes ? typedNumber(minutes) : null,
      n: known?.n ?? null,
      base_fog: typedNumber(fog),
      exposure: light ? { kind: "lux_seconds" } : { kind: "metered", ei: typedNumber(ei) },
      steps: now.steps,
    };
    const curves = [...(test.curves ?? [])];
    curves[place] = curve;
    const tabletNow = how === "own tablet" ? row.tablet : test.tablet;
    const changed = { ...test, curves, tablet: tabletNow };
    setWanted(changed);
    await write(putTest(changed, view.version));
  };
  const field = (name: string) =>
    problem?.field?.startsWith(`curves.${place}.${name}`) ? problem.message : null;
  const slip = (...names: (string | null)[]) =>
    unread && names.includes(unread.field) ? unread.message : null;
  const byTablet = how !== "even" && how !== "kept";
  return (
    <>
      <Sheet
        open
        close={close}
        title={known ? `Development, ${known.id}` : "Add a development"}
        footer={
          <>
            <Button onClick={close}>Cancel</Button>
            <Button variant="main" type="submit" form="curve" disabled={busy || Boolean(unread)}>
              Save
            </Button>
          </>
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
              value={minutes}
              onChange={(event) => setMinutes(event.target.value)}
              problem={field("minutes")}
            />
            <Entry
              label="Base plus fog"
              help="clear film of this development"
              inputMode="decimal"
              value={fog}
              onChange={(event) => setFog(event.target.value)}
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
              onChange={(value) => setHow(value as Row["how"])}
            />
            <Choose
              label="Known as"
              value={light ? "light" : "meter"}
              options={[
                { value: "meter", label: "stops from V, by the meter" },
                { value: "light", label: "log H, in lux seconds" },
              ]}
              onChange={(value) => setLight(value === "light")}
            />
            {how !== "kept" && (
              <Entry
                label={
                  byTablet
                    ? light
                      ? "log H beside the tablet"
                      : "Light beside the tablet, stops from V"
                    : light
                      ? "First step, log H"
                      : "First step, from V"
                }
                inputMode="text"
                value={first}
                onChange={(event) => setFirst(event.target.value)}
                problem={slip("row.first")}
              />
            )}
            {how === "even" && (
              <Entry
                label={light ? "Step, log H" : "Step, stops"}
                inputMode="decimal"
                value={step}
                onChange={(event) => setStep(event.target.value)}
                problem={slip("row.step")}
              />
            )}
            {!light && (
              <Entry
                label="Meter set to EI"
                inputMode="decimal"
                value={ei}
                onChange={(event) => setEi(event.target.value)}
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
              value={own}
              onChange={(event) => setOwn(event.target.value)}
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
            onChange={(event) => setText(event.target.value)}
            problem={slip("text", null) ?? field("steps")}
          />
          <Flex gap="3" align="center" wrap="wrap">
            <Button onClick={() => setScanning(true)}>Read from a scan</Button>
            {simulated && (
              <>
                <Button
                  onClick={() =>
                    ask(async () => {
                      const found = await readPatch(read.steps.length, zeroed);
                      setText((before) => `${before.trim()}\n${found.density.toFixed(2)}`.trim());
                    })
                  }
                >
                  Read the next patch
                </Button>
                <Flex as="label" gap="2" align="center" minHeight="44px">
                  <input
                    type="checkbox"
                    checked={zeroed}
                    onChange={(event) => setZeroed(event.target.checked)}
                  />
                  zero is set
                </Flex>
                <Box color="ink2" fontSize="14px">
                  simulated densitometer
                </Box>
              </>
            )}
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
          count={read.steps.length || (byTablet ? (how === "31-step tablet" ? 31 : 21) : 13)}
          close={() => setScanning(false)}
          take={(found, clear) => {
            setText(found.map((each) => each.toFixed(3)).join("\n"));
            if (clear !== null) setFog(clear.toFixed(2));
            setScanning(false);
          }}
        />
      )}
    </>
  );
}
