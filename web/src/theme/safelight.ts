/**
 * What a screen shows beside paper: dark red on black, and nothing brighter.
 * `lit` is for the caution that is read before any paper is out.
 */
export const SAFE = { red: "#a11", dim: "#611", lit: "#f33" };
