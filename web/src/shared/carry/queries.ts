import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type Aside = Schemas["AsideView"];
type Decision = Schemas["Decision"];
/** How an exposure is logged when it cannot be as it was. */
export type Otherwise = Partial<Omit<Decision, "how">>;

/** What is carried, and how much waits to be handed in or decided. */
export const carryQuery = question("carry_read");

/** What lies aside. */
export const asidesQuery = question("carry_asides");

export const decide = (id: string, how: Decision["how"], otherwise: Otherwise = {}) =>
  ask("carry_decide", {
    path: { id },
    body: { how, piece_id: null, unplaced: false, happened: false, ...otherwise },
  });
