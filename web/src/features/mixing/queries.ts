import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export interface Asked {
  recipe_id: string;
  tank_id: string;
  line_id: string;
  area_in2: number;
  temperature_c: number;
  tap_c?: number;
  other_c?: number;
  filled_ml?: number;
  water_ml?: number;
  ready?: string;
}

/** What is mixed for a run; the last good sheet stays while a water is typed. */
export const sheetQuery = (asked: Asked) =>
  queryOptions({
    ...question("mixing_sheet", { query: asked }),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const powderQuery = (id: string) => question("mixing_powder", { path: { id } });

export const clear = (body: Schemas["ClearingTest"]) => act("mixing_clearing", { body });
