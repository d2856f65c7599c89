import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Entry } from "../../components/Entry";
import { typedNumber } from "../../components/typedNumber";

type Point = Schemas["Point"];

const text = (points: Point[]) =>
  points
    .map((point) =>
      [point.n, Math.round(point.minutes * 100) / 100, point.origin, point.ei ?? ""]
        .join("  ")
        .trim(),
    )
    .join("\n");

const from = (typed: string) =>
  typed
    .split("\n")
    .filter((line) => line.trim())
    .map((line) => {
      const [n = "", minutes = "", origin = "personal", ei] = line
        .trim()
        .replace("−", "-")
        .split(/\s+/);
      return {
        n: typedNumber(n.replace(/^N/i, "") || "0"),
        minutes: typedNumber(minutes),
        origin,
        ei: ei ? typedNumber(ei) : null,
      };
    });

/** A recipe's points, a line each, the way they stand in a leaflet or a notebook. */
export function PointsField({
  value,
  onChange,
  problem,
}: {
  value: Point[];
  onChange: (points: unknown) => void;
  problem: string | null;
}) {
  const [typed, setTyped] = useState(() => text(value));
  return (
    <Entry
      label="Minutes for N"
      help="A line each: N, minutes, who says (tested, personal or published), EI. As in: -1  6.5  personal  80"
      multiline
      rows={5}
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
        onChange(from(event.target.value));
      }}
      problem={problem}
    />
  );
}
