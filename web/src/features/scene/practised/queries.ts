import { queryOptions } from "@tanstack/react-query";
import { act } from "../../../api/acts";
import { ask, question } from "../../../api/ask";
import type { Schemas } from "../../../api/calls";
import type { SceneView } from "../queries";
import type { Keeper } from "../useKeeping";

export type PractisedView = Schemas["PractisedView"];
export type PractisedField = Schemas["PractisedField"];
export type Verdict = Schemas["PracticeVerdict"];
export type Shot = Schemas["PracticeShot"];

export const practisedQuery = (id: string) => question("practice_read_scene", { path: { id } });

/** How it looks so many minutes after one came. */
export const fieldQuery = (id: string, minutes: number) =>
  queryOptions({
    ...question("practice_field", { path: { id }, query: { minutes } }),
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: (before: PractisedField | undefined) => before,
  });

/** Where the meter is pointed, as shares of the frame, and when. */
export interface Aim {
  x: number;
  y: number;
}

export const meterSays = (id: string, aim: Aim, minutes: number) =>
  ask("practice_meter", { path: { id }, body: { ...aim, minutes } });

/** A practised scene: it is changed like any, and its readings may be taken off it. */
export const practisedKeeper = (id: string): Keeper => ({
  key: practisedQuery(id).queryKey,
  change: async (_, base, changed) => {
    if ("aim" in changed) {
      const { aim, minutes, reading_id } = changed;
      const body = { ...aim, minutes, reading_id, label: "" };
      return act("practice_take_spot", { path: { id }, query: { base }, body });
    }
    if ("text" in changed)
      return act("practice_say_scene", { path: { id }, query: { base }, body: changed });
    const { edits, makes } = changed;
    const none = { films: [], lenses: [], pinholes: [], filters: [] };
    return act("practice_edit_scene", {
      path: { id },
      query: { base },
      body: { edits, makes: makes ?? none },
    });
  },
  kept: (shown, answer) => {
    const before = shown as PractisedView | undefined;
    if (!before) return before;
    const { scene, version, lines, said } = answer;
    const view: SceneView = { ...before.view, scene, version, lines, said };
    const spots = "spots" in answer ? (answer.spots as PractisedView["spots"]) : before.spots;
    return { ...before, view, spots };
  },
});

export const exposePractised = (id: string, shot: Shot) =>
  act("practice_expose", { path: { id }, body: shot });

export const doAgain = (id: string) => act("practice_again", { path: { id } });
