import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type Plan = Schemas["EveningPlan"];
export type PlannedRun = Schemas["PlannedRun"];
export type Planning = Schemas["Planning"];

/** The plan as asked; the last one stays while a change is worked out. */
export const planQuery = (planning: Planning) =>
  queryOptions({
    ...question("evening_plan_evening", { body: planning }),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** The planned evening as a calendar file. */
export const calendarOf = (body: Schemas["Dated"]) => ask("evening_calendar", { body });

export const beginRun = (body: Schemas["RunBeginning"]) => act("runs_begin", { body });
