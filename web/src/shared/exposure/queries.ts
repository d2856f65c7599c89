import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

export type ExposureView = Schemas["ExposureView"];
export type Judgement = Schemas["Judgement"];

export const correct = (id: string, correction: Schemas["Correction"], base: string) =>
  act("exposures_put_right", { path: { id }, query: { base }, body: correction });

export const judge = (judgement: Judgement, base: string) =>
  act("darkroom_judge", { path: { id: judgement.id }, query: { base }, body: judgement });

/** Where a densitometer is put on a negative: the readings it was exposed by. */
export const spotsQuery = (piece_id: string) =>
  queryOptions({
    queryKey: ["piece", "spots", piece_id],
    queryFn: () =>
      unwrap(api.GET("/api/pieces/{id}/spots", { params: { path: { id: piece_id } } })),
    ...readsOf("/api/pieces/{id}/spots"),
  });

/** The simulated densitometer on a patch of its own strip. */
export const densitometer = (place: number) =>
  unwrap(api.GET("/api/devices/densitometer", { params: { query: { place, zeroed: true } } }));
