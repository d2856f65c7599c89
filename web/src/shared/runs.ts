import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../api/acts";
import { question } from "../api/ask";
import type { Schemas } from "../api/calls";
import { typedIn } from "../components/typedNumber";
import { BEGUN } from "../service/service";

export type Scale = "C" | "F";
export type Group = Schemas["Group"];

/** What waits, with its times at a temperature as typed; the last answer stays meanwhile. */
export const darkroomQuery = (degrees: string, scale: Scale) =>
  queryOptions({
    ...question("darkroom_read", {
      query: { temperature_c: typedIn(degrees, `°${scale}`) },
    }),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** What a choice, a tank, a temperature or a bottle would make of a negative's time; nothing is kept. */
export const weighQuery = (trial: Schemas["Trial"]) =>
  queryOptions({ ...question("darkroom_weigh", { body: trial }), retry: false });

/** Film of another kind that may go into one tank with a piece. */
export const matesQuery = (trial: Schemas["Trial"]) =>
  queryOptions({ ...question("darkroom_find_mates", { body: trial }), retry: false });

/** The one development of a strip; no N leaves it open, no recipe or EI to its frames and roll. */
export const developStrip = (
  id: string,
  n: number | null,
  recipe_id: string | null = null,
  exposure_index: number | null = null,
) => act("rolls_develop_for", { path: { id }, body: { n, recipe_id, exposure_index } });

/** A run that is not begun yet, but for what is chosen of it. */
export const newRun = (
  chosen: Omit<Schemas["Run"], "went" | "begun_at" | "developed_at" | "note" | "laboratory"> &
    Partial<Schemas["Run"]>,
): Schemas["Run"] => ({ ...BEGUN.run, ...chosen });
