import type { Kind, KindSpec } from "./fieldSpec";
import { INDOORS } from "./indoors";
import { OUTDOORS } from "./outdoors";

export type { FieldSpec, Kind } from "./fieldSpec";

/** Every kind of record of the kit, and what its sheet asks for. */
export const KINDS: Record<Kind, KindSpec> = { ...OUTDOORS, ...INDOORS };
