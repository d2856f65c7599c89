import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type ExposureView = Schemas["ExposureView"];
export type Judgement = Schemas["Judgement"];

export const correct = (id: string, correction: Schemas["Correction"], base: string) =>
  act("exposures_put_right", { path: { id }, query: { base }, body: correction });

export const judge = (judgement: Judgement, base: string) =>
  act("darkroom_judge", { path: { id: judgement.id }, query: { base }, body: judgement });

/** Where a densitometer is put on a negative: the readings it was exposed by. */
export const spotsQuery = (piece_id: string) =>
  question("pieces_spots", { path: { id: piece_id } });

export const foreseenQuery = (piece_id: string) =>
  question("pieces_foreseen", { path: { id: piece_id } });

/** The simulated densitometer on a patch of its own strip. */
export const densitometer = (place: number) =>
  ask("devices_densitometer", { query: { place, zeroed: true } });
