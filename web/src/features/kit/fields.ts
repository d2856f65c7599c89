import type { KindSpec } from "./fieldSpec";
import { INDOORS } from "./indoors";
import { OUTDOORS } from "./outdoors";

export type { FieldSpec } from "./fieldSpec";

export type Kind = keyof typeof OUTDOORS | keyof typeof INDOORS;

/** Every kind of record of the kit, and what its sheet asks for. */
export const KINDS: Record<Kind, KindSpec> = { ...OUTDOORS, ...INDOORS };
