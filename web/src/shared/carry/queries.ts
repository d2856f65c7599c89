import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type Aside = Schemas["AsideView"];
type Decision = Schemas["Decision"];
/** How an exposure is logged when it cannot be as it was. */
export type Otherwise = Partial<Omit<Decision, "how">>;

/** What is carried, what waits to be handed in, what lies aside. */
export const carryQuery = question("carry_read");

export const decide = (id: string, how: Decision["how"], otherwise: Otherwise = {}) =>
  ask("carry_decide", {
    path: { id },
    body: { how, piece_id: null, unplaced: false, happened: false, ...otherwise },
  });
