import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useEffect, useState } from "react";
import type { Refusal, Schemas } from "../../api/client";
import { devicesQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../shared/useWrite";
import { type Curve, putTest, readDensities, readPatch, type TestView } from "./queries";

type Read = Pick<Schemas["ReadDensities"], "steps" | "turned">;

const NONE: Read = { steps: [], turned: false };

/** The steps as they are typed; none while nothing is, since densities may come later. */
const readSteps = async (
  text: string,
  first: string,
  step: string,
  turn: boolean,
): Promise<Read> =>
  text.trim()
    ? readDensities({
        text,
        first_stops: typedNumber(first),
        step_stops: typedNumber(step),
        turn,
      })
    : NONE;

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
  const before = known ?? test.curves?.at(-1);
  const stops = before?.steps.map((step) => step.stops ?? 0).sort((a, b) => a - b) ?? [];
  const [minutes, setMinutes] = useState(known?.minutes ? String(known.minutes) : "");
  const [fog, setFog] = useState(before ? String(before.base_fog) : "");
  const [ei, setEi] = useState(
    before?.exposure.kind === "metered" ? String(before.exposure.ei) : "100",
  );
  const [first, setFirst] = useState(String(stops[0] ?? -6));
  const [step, setStep] = useState(
    String(stops.length > 1 ? Number(((stops[1] ?? 0) - (stops[0] ?? 0)).toFixed(4)) : 1),
  );
  const [text, setText] = useState(
    [...(known?.steps ?? [])]
      .sort((a, b) => (a.stops ?? 0) - (b.stops ?? 0))
      .map((each) => each.density.toFixed(2))
      .join("\n"),
  );
  const [turned, setTurned] = useState(false);
  const [read, setRead] = useState<Read>(NONE);
  const [unread, setUnread] = useState<Refusal | null>(null);
  const { write, ask, problem, busy } = useWrite(close);
  const simulated = useQuery(devicesQuery).data?.simulated;
  const [zeroed, setZeroed] = useState(false);
  useEffect(() => {
    let here = true;
    readSteps(text, first, step, turned).then(
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
  }, [text, first, step, turned]);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    // read anew: what was typed last may not be read yet
    const now = await ask(() => readSteps(text, first, step, turned));
    if (!now) return;
    const curve: Curve = {
      id: minutes ? `${minutes} min` : `curve ${place + 1}`,
      minutes: minutes ? typedNumber(minutes) : null,
      n: known?.n ?? null,
      base_fog: typedNumber(fog),
      exposure: { kind: "metered", ei: typedNumber(ei) },
      steps: now.steps,
    };
    const curves = [...(test.curves ?? [])];
    curves[place] = curve;
    await write(putTest({ ...test, curves }, view.version));
  };
  const field = (name: string) =>
    problem?.field?.startsWith(`curves.${place}.${name}`) ? problem.message : null;
  const slip = (...names: (string | null)[]) =>
    unread && names.includes(unread.field) ? unread.message : null;
  return (
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
            help="clear film of the same development"
            inputMode="decimal"
            value={fog}
            onChange={(event) => setFog(event.target.value)}
            problem={field("base_fog")}
          />
        </Grid>
        <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }} gap="4">
          <Entry
            label="Meter set to EI"
            inputMode="decimal"
            value={ei}
            onChange={(event) => setEi(event.target.value)}
            problem={field("exposure")}
          />
          <Entry
            label="First step, from V"
            inputMode="text"
            value={first}
            onChange={(event) => setFirst(event.target.value)}
            problem={slip("first_stops")}
          />
          <Entry
            label="Step, stops"
            inputMode="decimal"
            value={step}
            onChange={(event) => setStep(event.target.value)}
            problem={slip("step_stops")}
          />
        </Grid>
        <Entry
          label="Densities"
          help="least exposure first, one on a line; paste a column, a table or CGATS text"
          multiline
          rows={9}
          value={text}
          onChange={(event) => setText(event.target.value)}
          problem={slip("text", null) ?? field("steps")}
        />
        {simulated && (
          <Flex gap="3" align="center" wrap="wrap">
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
          </Flex>
        )}
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
      </form>
    </Sheet>
  );
}
