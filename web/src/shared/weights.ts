/** How much a picture matters when one development serves several. */
export const WEIGHTS = [
  { value: "3", label: "above all" },
  { value: "2", label: "more" },
  { value: "1", label: "as any" },
  { value: "0", label: "not at all" },
];
