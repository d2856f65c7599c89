import { act } from "../../api/acts";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type Comparison = Schemas["Comparison"];
export type Seen = Schemas["Seen"];
export type NamedPlace = Schemas["NamedPlace"];

/** Scans side by side; greys matched at a place, if one is given. */
export const comparisonQuery = (of: string, match: { x: number; y: number } | null) =>
  question("comparison_read", { query: { of, ...(match ?? {}) } });

export const namePlace = (id: string, place: NamedPlace) =>
  act("attachments_name_place", { path: { id }, body: place });

/** Not in this picture any more, nor in any of the others. */
export const forgetPlace = (id: string, name: string) =>
  act("attachments_forget_place", { path: { id }, body: { name } });
