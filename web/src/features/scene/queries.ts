import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { today } from "../../components/days";
import { BEGUN } from "../../service/service";

export type Scene = Schemas["Scene"];
export type SceneView = Schemas["SceneView"];
export type Solution = Schemas["Solution"];
export type Fall = Schemas["Fall"];
export type Answer = Schemas["ExposureAnswer"];
export type Given = Schemas["Given"];
export type ExposureView = Schemas["ExposureView"];
export type Edit = Schemas["Editing"]["edits"][number];
export type Made = Schemas["Made"];

/** What is changed of a scene: by edits, with the kit that is made on the way, or by what is typed. */
export type Changed = Edited | Said | SpotRead;
/** What a scene that was changed answers, wherever it is kept. */
export type Kept = Schemas["KeptScene"];
interface Edited {
  edits: Edit[];
  makes?: Made;
}
/** A reading taken off a simulated scene. */
interface SpotRead {
  aim: { x: number; y: number };
  minutes: number;
  reading_id: string;
}
export interface Said {
  text: string;
  reading_id: string;
}

export const sceneQuery = (id: string) => question("scenes_read", { path: { id } });

export const moversQuery = queryOptions({
  ...question("compute_movers"),
  staleTime: Number.POSITIVE_INFINITY,
});

export const readLine = (
  scene: Scene,
  text: string,
  readingId: string,
  touched: Schemas["Touched"] | null = null,
) => ask("scenes_line", { body: { scene, text, reading_id: readingId, touched } });

/** A scene worked out as it would be after some edits; nothing is kept. */
export const solve = (scene: Scene, edits: Edit[]) =>
  ask("scenes_solve", { body: { scene, edits } });

/** A scene that was never kept begins by what is done in it, on today's outing. */
export async function change({ id, outing_id, ...rest }: Scene, base: string, changed: Changed) {
  if (base && "text" in changed)
    return act("scenes_say", { path: { id }, query: { base }, body: changed });
  const { edits, makes = NOTHING } = await meantBy({ id, outing_id, ...rest }, changed);
  return base
    ? act("scenes_edit", { path: { id }, query: { base }, body: { edits, makes } })
    : act("scenes_begin", { body: { id, outing_id, day: today(), edits, makes, begun: null } });
}

/** What is typed, as the edits it means over a scene. */
const meantBy = async (scene: Scene, changed: Changed): Promise<Edited> =>
  "text" in changed
    ? await readLine(scene, changed.text, changed.reading_id)
    : "edits" in changed
      ? changed
      : { edits: [] };

/** The scene as it would be. */
export async function changedBy(scene: Scene, changed: Changed): Promise<Scene> {
  const { edits } = await meantBy(scene, changed);
  return (await solve(scene, edits)).scene;
}

/** The scene's film taken like most of a kind, as far as long times go. */
export const likeFilm = (id: string, like: string) =>
  act("scenes_like_film", { path: { id }, body: { like } });

const NOTHING: Made = { films: [], lenses: [], pinholes: [], filters: [] };

export const deleteScene = (id: string) => act("scenes_delete", { path: { id } });

export const expose = (given: Given) => act("exposures_log", { body: given });

export const logBracket = (id: string, frames: Given[]) =>
  act("exposures_log_bracket", { body: { id, frames } });

/** What a typed time would do to the film, and what speaks against exposing it there at all. */
export const checkQuery = (given: Given) =>
  queryOptions({ ...question("exposures_weigh", { body: given }), retry: false });

/** Film of one kind that an exposure, or a share of a multiple one, can go onto, and what was typed of it. */
export const fittingQuery = (scene: Scene, share: number, side: string) =>
  queryOptions({
    ...question("pieces_fitting", {
      query: {
        film_id: scene.film_id ?? "",
        share,
        side,
        optics_id: scene.lens_id ?? scene.pinhole_id ?? "",
      },
    }),
    placeholderData: (before: Schemas["Fits"] | undefined) => before,
  });

export const bracketQuery = (asked: Schemas["Bracketing"]) =>
  queryOptions({
    ...question("scenes_bracketed", { body: asked }),
    placeholderData: (before: Schemas["BracketShown"] | undefined) => before,
    retry: false,
  });

/** Every school and up to three plans for a scene as it stands. */
export const opinionsQuery = (scene: Scene, stamp: number) =>
  queryOptions({
    ...question("scenes_opinions", { body: scene }),
    queryKey: ["scenes_opinions", { scene, stamp }],
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
    placeholderData: (before) => before,
  });

export const spotMeterQuery = (sceneId: string) =>
  queryOptions({
    ...question("devices_spot_meter", { query: { scene_id: sceneId } }),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const pullTrigger = (scene: Scene, target: string, reading_id: string) =>
  ask("devices_trigger", { body: { scene, target, reading_id } });

/** A report of an exposure with everything as planned; what is known better is changed. */
export const asPlanned = (
  scene: Scene,
  plan: Solution["plan"],
  id: string,
  piece_id: string,
): Given => ({ ...BEGUN.given, id, scene_id: scene.id, piece_id, plan });

/** A scene nobody has begun: it is kept with the first thing that is done in it. */
export const unbegun = (): SceneView => ({
  scene: { ...BEGUN.scene, id: newId(), outing_id: newId() },
  version: "",
  exposures: [],
  lines: {},
  said: {},
  showed: [],
  cost_text: "",
  outing: null,
  labels: [],
  picture: null,
});

/** The same exposure on every film of the kit. */
export const onFilmsQuery = (scene: Scene) => question("scenes_on_films", { body: scene });
