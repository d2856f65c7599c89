import { act } from "../../api/acts";
import type { Schemas } from "../../api/client";

export type ExposureView = Schemas["ExposureView"];
export type Judgement = Schemas["Judgement"];

export const correct = (id: string, correction: Schemas["Correction"], base: string) =>
  act("exposures_put_right", { path: { id }, query: { base }, body: correction });

export const judge = (judgement: Judgement, base: string) =>
  act("darkroom_judge", { path: { id: judgement.id }, query: { base }, body: judgement });
