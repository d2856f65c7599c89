import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../../api/client";

export type Scale = "C" | "F";
export type Group = Schemas["Group"];

/** What waits, with its times at a temperature; the last good answer stays while one is typed. */
export const darkroomQuery = (degrees: number, scale: Scale) =>
  queryOptions({
    queryKey: ["darkroom", degrees, scale],
    queryFn: () =>
      unwrap(
        api.GET("/api/darkroom", {
          params: {
            query: scale === "C" ? { temperature_c: degrees } : { temperature_f: degrees },
          },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

const at = (id: string) => ({ params: { path: { id } } });

export const beginRun = (body: Schemas["RunBeginning"]) =>
  unwrap(api.POST("/api/darkroom/runs", { body }));

/** A run that is not begun yet, but for what is chosen of it. */
export const newRun = (
  chosen: Omit<Schemas["Run"], "went" | "begun_at" | "developed_at" | "note">,
): Schemas["Run"] => ({ ...chosen, went: null, begun_at: "", developed_at: "", note: "" });

export const courseOf = (id: string) => unwrap(api.GET("/api/darkroom/runs/{id}/course", at(id)));

export const runDeveloped = (id: string) =>
  unwrap(api.POST("/api/darkroom/runs/{id}/developed", at(id)));

export const putOff = (id: string) => unwrap(api.DELETE("/api/darkroom/runs/{id}", at(id)));

/** Nothing decided over the plan. */
export const AS_PLANNED: Schemas["Choice"] = { recipe_id: null, minutes: null, reason: "" };

export const decide = (body: Schemas["Deciding"]) =>
  unwrap(api.PUT("/api/darkroom/choices", { body }));

/** What a choice would do; nothing is kept. */
export const weigh = (body: Schemas["Trial"]) => unwrap(api.POST("/api/darkroom/weigh", { body }));
