import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../api/acts";
import { api, type Schemas, unwrap } from "../api/client";
import { readsOf } from "../api/reads";

export type Scale = "C" | "F";
export type Group = Schemas["Group"];

/** What waits, with its times at a temperature as typed; the last answer stays meanwhile. */
export const darkroomQuery = (degrees: string, scale: Scale) =>
  queryOptions({
    queryKey: ["darkroom", degrees, scale],
    queryFn: () => {
      const typed = `${degrees} °${scale}` as unknown as number;
      return unwrap(api.GET("/api/darkroom", { params: { query: { temperature_c: typed } } }));
    },
    placeholderData: keepPreviousData,
    retry: false,
    ...readsOf("/api/darkroom"),
  });

/** What a choice, a tank, a temperature or a bottle would make of a negative's time; nothing is kept. */
export const weighQuery = (trial: Schemas["Trial"]) =>
  queryOptions({
    queryKey: ["weigh", trial],
    queryFn: () => unwrap(api.POST("/api/darkroom/weigh", { body: trial })),
    retry: false,
    ...readsOf("/api/darkroom/weigh"),
  });

/** The one development of a strip; no N leaves it open, no recipe or EI to its frames and roll. */
export const developStrip = (
  id: string,
  n: number | null,
  recipe_id: string | null = null,
  exposure_index: number | null = null,
) => act("rolls_develop_for", { path: { id }, body: { n, recipe_id, exposure_index } });

/** A run that is not begun yet, but for what is chosen of it. */
export const newRun = (
  chosen: Omit<Schemas["Run"], "went" | "begun_at" | "developed_at" | "note">,
): Schemas["Run"] => ({ ...chosen, went: null, begun_at: "", developed_at: "", note: "" });
