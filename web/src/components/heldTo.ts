/** What is dragged, and the steps it goes by. */
export interface Steps {
  lowest: number;
  highest: number;
  step: number;
}

/** A dragged value on its nearest step, between its ends; digits of no meaning fall away. */
export const heldTo = ({ lowest, highest, step }: Steps, value: number) =>
  Number(Math.min(highest, Math.max(lowest, Math.round(value / step) * step)).toPrecision(12));
