import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";

export const logExposure = (given: Schemas["Given"]) => act("exposures_log", { body: given });

export const relit = (sceneId: string, body: Schemas["Relit"]) =>
  unwrap(api.POST("/api/scenes/{id}/relit", { params: { path: { id: sceneId } }, body }));
