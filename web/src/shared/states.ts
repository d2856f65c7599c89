import type { Schemas } from "../api/client";

export type State = Schemas["SideView"]["state"];

/** A state of film in one word, the same everywhere. */
export const STATE_WORDS: Record<State, string> = {
  empty: "empty",
  loaded: "unexposed",
  exposed: "exposed",
  blank: "blank",
  in_run: "in a run",
  developed: "developed",
  judged: "judged",
};
