/* The eleven tones as they are drawn: names on the rail and true neutral greys in every light. */
export const ZONES = ["0", "I", "II", "III", "IV", "V", "VI", "VII", "VIII", "IX", "X"] as const;

/** From here on a figure on its grey is black. */
export const MIDDLE = 5;

export const GREYS = [8, 22, 40, 62, 88, 119, 150, 180, 208, 232, 250].map(
  (level) => `rgb(${level} ${level} ${level})`,
);
