import type { Schemas } from "../../api/calls";
import { typedNumber, typedRows } from "../../components/typedNumber";
import type { Curve, TestView } from "./queries";

/* A development as it is typed, and as it is kept. */

export type Row = Schemas["StepRow"];
type Test = TestView["test"];

/** A development as it is typed. */
export type TypedCurve = Schemas["CurveForm"];

/** Whether the light came through a tablet. */
export const byTablet = (how: Row["how"]) => how.endsWith("tablet");

/** The exposures as they are asked for. */
export const rowTyped = (typed: TypedCurve): Row => ({
  how: typed.how as Row["how"],
  first: typedNumber(typed.first),
  step: typedNumber(typed.step),
  tablet: typed.how === "own tablet" ? typedRows<number>(typed.own) : [],
  kept: typed.how === "kept" ? typed.kept : [],
  light: typed.light,
});

/** The test with what was typed in its place. */
export function testTyped(
  test: Test,
  place: number,
  typed: TypedCurve,
  steps: Curve["steps"],
): Test {
  const known = test.curves?.[place];
  const strip = test.strips?.find((each) => each.curve_id === known?.id);
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
