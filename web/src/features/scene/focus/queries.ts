import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { question } from "../../../api/ask";
import type { Schemas } from "../../../api/calls";
import type { Edit, Scene } from "../queries";

export type FocusSeen = Schemas["FocusSeen"];

/** A drafted scene's focus, drawn while one types. */
export const seenQuery = (scene: Scene, edits: Edit[], asked: Schemas["FocusAsked"]) =>
  queryOptions({
    ...question("scenes_focus", { body: { scene, edits, asked } }),
    placeholderData: keepPreviousData,
    retry: false,
  });
