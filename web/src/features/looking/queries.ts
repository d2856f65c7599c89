import { act } from "../../api/acts";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type Comparison = Schemas["Comparison"];
export type Seen = Schemas["Seen"];
export type NamedPlace = Schemas["NamedPlace"];

/** Scans side by side; greys matched at a place, if one is given. */
export const comparisonQuery = (of: string, match: { x: number; y: number } | null) =>
  question("comparison_read", { query: { of, ...(match ?? {}) } });

export const namePlaces = (id: string, places: NamedPlace[]) =>
  act("attachments_name_places", { path: { id }, body: { places } });
