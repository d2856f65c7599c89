/** What a screen shows beside paper: dark red on black, and nothing brighter. */
export const SAFE = { red: "#a11", dim: "#611" };
