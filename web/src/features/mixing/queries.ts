import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

export interface Asked {
  recipe_id: string;
  tank_id: string;
  line_id: string;
  area_in2: number;
  temperature_c: number;
  tap_c?: number;
  other_c?: number;
  ready?: string;
}

/** What is mixed for a run; the last good sheet stays while a water is typed. */
export const sheetQuery = (asked: Asked) =>
  queryOptions({
    queryKey: ["mixing", asked],
    queryFn: () => unwrap(api.GET("/api/mixing", { params: { query: asked } })),
    placeholderData: keepPreviousData,
    retry: false,
    ...readsOf("/api/mixing"),
  });

export const powderQuery = (id: string) =>
  queryOptions({
    queryKey: ["mixing", "powder", id],
    queryFn: () => unwrap(api.GET("/api/mixing/powders/{id}", { params: { path: { id } } })),
    ...readsOf("/api/mixing/powders/{id}"),
  });

export const clear = (body: Schemas["ClearingTest"]) => act("mixing_clearing", { body });
