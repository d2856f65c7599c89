/** How much a picture matters when one development serves several. */
export const WEIGHTS = [
  { value: "3", label: "highest" },
  { value: "2", label: "high" },
  { value: "1", label: "normal" },
  { value: "0", label: "none" },
];
