import type { FilmTest } from "./queries";

/** What was photographed for a test. */
export const TARGETS: { value: NonNullable<FilmTest["target"]>; label: string }[] = [
  { value: "bracket in stops", label: "grey card, bracket in stops" },
  { value: "21-step tablet", label: "step tablet, 21 steps of 0.15" },
  { value: "31-step tablet", label: "step tablet, 31 steps of 0.10" },
  { value: "own tablet", label: "own step tablet" },
  { value: "Zone I and Zone VIII", label: "two sheets, Zone I and Zone VIII" },
];
