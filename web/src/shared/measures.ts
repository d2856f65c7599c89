import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../api/calls";
import { wayQuery } from "../api/queries";
import { typedIn, typedNumber } from "../components/typedNumber";

/* Numbers in the units one works in. What is typed goes to the core with its unit beside it; what is
   shown is only written otherwise. */

export type Measures = Schemas["Measures"];
export type UnitKey = "mm" | "ml" | "°C";

/** A unit as it is written, shown in and typed in. */
export interface Unit {
  name: string;
  /** the number alone, for a field */
  show: (value: number) => string;
  /** with its unit */
  text: (value: number) => string;
  /** what was typed, as the wire takes it */
  typed: (text: string) => number;
}

const plain = (value: number, digits: number) =>
  String(Number(value.toFixed(digits))).replace("-", "−");

/** A unit the core told of; a number typed in another than the core's own goes with its name. */
function unit({ name, per, zero, digits, own }: Schemas["Unit"]): Unit {
  const shown = (value: number) => plain(value * per + zero, digits);
  return {
    name,
    show: (value) => shown(value).replace("−", "-"),
    text: (value) => `${shown(value)} ${name}`,
    typed: (text) => (own ? typedNumber(text) : typedIn(text, name)),
  };
}

const OWN: Record<UnitKey, Schemas["Unit"]> = {
  mm: { name: "mm", per: 1, zero: 0, digits: 3, own: true },
  ml: { name: "ml", per: 1, zero: 0, digits: 1, own: true },
  "°C": { name: "°C", per: 1, zero: 0, digits: 1, own: true },
};

const unitsOf = (told: Record<string, Schemas["Unit"]> = OWN): Record<UnitKey, Unit> => ({
  mm: unit(told.mm ?? OWN.mm),
  ml: unit(told.ml ?? OWN.ml),
  "°C": unit(told["°C"] ?? OWN["°C"]),
});

/** Numbers in fields, in the units one works in. */
export const useMeasures = () => unitsOf(useQuery(wayQuery).data?.units);
