import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../api/client";
import { preferencesQuery } from "../api/queries";
import { typedNumber } from "../components/typedNumber";

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

function unit(name: string, of: (value: number) => number, digits: number, own: boolean): Unit {
  const show = (value: number) => plain(of(value), digits).replace("−", "-");
  return {
    name,
    show,
    text: (value) => `${plain(of(value), digits)} ${name}`,
    // a unit that is not the core's own is said beside the number; the wire takes the words for one
    typed: (text) =>
      own || !/^[-−\d.,\s]+$/.test(text.trim())
        ? typedNumber(text)
        : (`${text.trim()} ${name}` as unknown as number),
  };
}

const same = (value: number) => value;
const MM = unit("mm", same, 3, true);
const INCH = unit("in", (mm) => mm / 25.4, 3, false);
const ML = unit("ml", same, 1, true);
const OUNCE = unit("fl oz", (ml) => ml / 29.5735295625, 2, false);
const CELSIUS = unit("°C", same, 1, true);
const FAHRENHEIT = unit("°F", (c) => c * 1.8 + 32, 1, false);

export const unitsOf = (measures: Measures | undefined): Record<UnitKey, Unit> => ({
  mm: measures?.length === "in" ? INCH : MM,
  ml: measures?.volume === "fl oz" ? OUNCE : ML,
  "°C": measures?.temperature === "F" ? FAHRENHEIT : CELSIUS,
});

/** Money, with the photographer's own sign. */
export const moneyIn = (amount: number, currency: string | undefined) =>
  `${currency ?? ""}${amount.toFixed(2)}`;

/** Every formatter, as one works. */
export function useMeasures() {
  const measures = useQuery(preferencesQuery).data?.measures;
  return {
    units: unitsOf(measures),
    money: (amount: number) => moneyIn(amount, measures?.currency),
  };
}
