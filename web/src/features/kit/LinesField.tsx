import { useState } from "react";
import { Entry } from "../../components/Entry";

/* Tables of a record, a line a row, the way they stand in a leaflet or a notebook: the core reads them. */

const HELP = {
  points:
    "A line each: N, minutes, tested, personal or published, EI, who says so; a note after “//”. As in: -1  6:30  personal  80  own sheets",
  ratings:
    "A line each: EI, minutes, tested, personal or published, who says so. As in: 800  14:30  published  leaflet",
  warmth:
    "The maker's table, a line each: °C, minutes for N. As in: 24  7:45. Two rows or more replace k",
  parts: "A line each, in the order they are dissolved: name, grams if it is weighed",
  paperfilters:
    "A line each: range (log exposure), speed, factor, then the filter's name. As in: 1.05  200  1  Middle filter",
  papersteps:
    "Measured, a line each: log exposure, density. Five or more replace the typical curve",
  paperboxes:
    "A line each: width and height in mm, sheets; then what is known: opened, gone, price, cut (strips of a sheet). As in: 240  300  25  opened 2026-01-10  price 45",
  focals: "A line each, in mm",
};
export type LinesKind = keyof typeof HELP;

export function LinesField({
  kind,
  label,
  text,
  onChange,
  problem,
}: {
  kind: LinesKind;
  label: string;
  /** the table as it is kept */
  text: string;
  onChange: (typed: unknown) => void;
  problem: string | null;
}) {
  const [typed, setTyped] = useState(text);
  return (
    <Entry
      label={label}
      help={HELP[kind]}
      multiline
      rows={Math.min(6, Math.max(2, text.split("\n").length + 1))}
      value={typed}
      onText={(text) => {
        setTyped(text);
        onChange(text);
      }}
      problem={problem}
    />
  );
}
