import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

export type Plan = Schemas["EveningPlan"];
export type PlannedRun = Schemas["PlannedRun"];
export type Planning = Schemas["Planning"];

/** The plan as asked; the last one stays while a change is worked out. */
export const planQuery = (planning: Planning) =>
  queryOptions({
    queryKey: ["evening", planning],
    queryFn: () => unwrap(api.POST("/api/evening", { body: planning })),
    placeholderData: keepPreviousData,
    retry: false,
    ...readsOf("/api/evening"),
  });

/** The planned evening as a calendar file. */
export const calendarOf = (body: Schemas["Dated"]) =>
  unwrap(api.POST("/api/evening/calendar.ics", { body, parseAs: "blob" })) as Promise<Blob>;

export const beginRun = (body: Schemas["RunBeginning"]) => act("runs_begin", { body });
