import { api, type Schemas, unwrap } from "../../api/client";

export type ExposureView = Schemas["ExposureView"];
export type Judgement = Schemas["Judgement"];

export const correct = (id: string, correction: Schemas["Correction"], base: string) =>
  unwrap(
    api.PUT("/api/exposures/{id}", { params: { path: { id }, query: { base } }, body: correction }),
  );

export const judge = (judgement: Judgement) =>
  unwrap(
    api.PUT("/api/darkroom/judgements/{id}", {
      params: { path: { id: judgement.id } },
      body: judgement,
    }),
  );
