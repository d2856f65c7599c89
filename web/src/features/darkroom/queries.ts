import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";

export const beginRun = (body: Schemas["RunBeginning"]) => act("runs_begin", { body });

export const courseOf = (id: string) =>
  unwrap(api.GET("/api/darkroom/runs/{id}/course", { params: { path: { id } } }));

export const runDeveloped = (id: string) => act("runs_developed", { path: { id } });

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
