import { act } from "../../api/acts";
import { ask } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export const beginRun = (body: Schemas["RunBeginning"]) => act("runs_begin", { body });

export const courseOf = (id: string) => ask("runs_course", { path: { id } });

/** Its film is developed; in how many minutes, as they are typed, where no clock counted them. */
export const runDeveloped = (id: string, minutes: number | null) =>
  act("runs_developed", { path: { id }, query: minutes === null ? {} : { minutes } });

export const leaveRun = (id: string) => act("runs_leave", { path: { id } });

/** Nothing decided over the plan. */
export const AS_PLANNED: Schemas["Choice"] = {
  recipe_id: null,
  plain_n: false,
  hold_highlights: false,
  minutes: null,
  reason: "",
};

export const decide = (body: Schemas["Deciding"]) => act("darkroom_decide_over", { body });
