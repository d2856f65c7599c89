import type { Schemas } from "../../api/calls";
import { typedNumber, typedRows } from "../../components/typedNumber";
import type { Curve, TestView } from "./queries";

/* A development as it is typed, and as it is kept. */

export type Row = Schemas["StepRow"];
type Test = TestView["test"];

export interface TypedCurve {
  minutes: string;
  fog: string;
  /** exposures are known as light, not as stops by the meter */
  light: boolean;
  ei: string;
  how: Row["how"];
  first: string;
  step: string;
  /** densities of a tablet of one's own */
  own: string;
  /** densities, the least exposure first */
  text: string;
}

const TABLETS: readonly string[] = ["21-step tablet", "31-step tablet", "own tablet"];
export const byTablet = (how: Row["how"]) => TABLETS.includes(how);

const exposureOf = (step: Schemas["DensityStep"]) => step.stops ?? step.log_h ?? 0;

/** Where the steps of a curve lie, the least exposure first. */
export const exposuresOf = (curve: Curve | undefined) =>
  (curve?.steps ?? []).map(exposureOf).sort((a, b) => a - b);

/** The curve at a place, and the one whose exposures a new one begins with. */
export function curvesAt(test: Test, place: number) {
  const known = test.curves?.[place];
  const like = known?.steps.length ? known : test.curves?.find((each) => each.steps.length > 0);
  const strip = test.strips?.find((each) => each.curve_id === known?.id);
  return { known, like, strip };
}

/** What the form begins with: what is kept, else what the strip or the curves before say. */
export function typedOf(test: Test, place: number): TypedCurve {
  const { known, like, strip } = curvesAt(test, place);
  const before = known ?? test.curves?.at(-1);
  const has = Boolean(known?.steps.length);
  const tablet = TABLETS.includes(test.target) ? (test.target as Row["how"]) : null;
  const row = rowOf(exposuresOf(like));
  if (!has && strip) {
    row.how = "even";
    row.first = String(strip.first_stops);
    row.step = String(strip.step_stops);
  }
  if (!has && tablet) {
    row.how = tablet;
    row.first = String(test.tablet_log_h ?? 3);
  }
  return {
    ...row,
    minutes: known?.minutes ? String(known.minutes) : "",
    fog: before ? String(before.base_fog) : "",
    light: known ? known.exposure.kind === "lux_seconds" : test.tablet_log_h != null,
    ei: before?.exposure.kind === "metered" ? String(before.exposure.ei) : "100",
    own: (test.tablet ?? []).join(" "),
    text: [...(known?.steps ?? [])]
      .sort((a, b) => exposureOf(a) - exposureOf(b))
      .map((each) => String(Number(each.density.toFixed(3))))
      .join("\n"),
  };
}

/** How steps lie: an even row when they do, else one by one as they are kept. */
function rowOf(at: number[]): Pick<TypedCurve, "how" | "first" | "step"> {
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

/** The exposures as they are asked for. */
export const rowTyped = (typed: TypedCurve, kept: number[]): Row => ({
  how: typed.how,
  first: typedNumber(typed.first),
  step: typedNumber(typed.step),
  tablet: typed.how === "own tablet" ? typedRows<number>(typed.own) : [],
  kept: typed.how === "kept" ? kept : [],
  light: typed.light,
});

/** The test with what was typed in its place. */
export function testTyped(
  test: Test,
  place: number,
  typed: TypedCurve,
  steps: Curve["steps"],
): Test {
  const { known, strip } = curvesAt(test, place);
  const { minutes } = typed;
  const curves = [...(test.curves ?? [])];
  curves[place] = {
    id: known?.id && strip ? known.id : minutes ? `${minutes} min` : `curve ${place + 1}`,
    minutes: minutes ? typedNumber(minutes) : null,
    n: known?.n ?? null,
    base_fog: typedNumber(typed.fog),
    exposure: typed.light
      ? { kind: "lux_seconds" }
      : { kind: "metered", ei: typedNumber(typed.ei) },
    steps,
  };
  return {
    ...test,
    curves,
    tablet: typed.how === "own tablet" ? typedRows<number>(typed.own) : test.tablet,
  };
}
