import { act } from "../../api/acts";
import { ask } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export const logExposure = (given: Schemas["Given"]) => act("exposures_log", { body: given });

export const relit = (sceneId: string, body: Schemas["Relit"]) =>
  ask("scenes_relight", { path: { id: sceneId }, body });
