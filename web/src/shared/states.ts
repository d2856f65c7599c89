import type { Schemas } from "../api/calls";
import { OFFERED } from "../service/service";

export type State = Schemas["SideView"]["state"];

/** A state of film in one word, the same everywhere. */
export const stateWord = (state: State) =>
  OFFERED.states.find(({ value }) => value === state)?.label ?? state;
