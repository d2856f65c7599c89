// The client widens fixed pairs to arrays; the casts say again what the schema says.
import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";
import { today } from "../../components/days";

export type Scene = Schemas["Scene"];
export type SceneView = Schemas["SceneView"];
export type Solution = Schemas["Solution"];
export type Fall = Schemas["Fall"];
export type Answer = Schemas["ExposureAnswer"];
export type Given = Schemas["Given"];
export type ExposureView = Schemas["ExposureView"];
export type Edit = Schemas["Editing"]["edits"][number];
export type Made = Schemas["Made"];

/** What is changed of a scene, and the kit that is made on the way. */
export interface Changed {
  edits: Edit[];
  makes?: Made;
}

export const sceneQuery = (id: string) =>
  queryOptions({
    queryKey: ["scene", id],
    queryFn: () => unwrap(api.GET("/api/scenes/{id}", { params: { path: { id } } })),
    ...readsOf("/api/scenes/{id}"),
  });

export const moversQuery = queryOptions({
  queryKey: ["movers"],
  queryFn: () => unwrap(api.GET("/api/compute/movers")),
  staleTime: Number.POSITIVE_INFINITY,
  ...readsOf("/api/compute/movers"),
});

export const readLine = (scene: Scene, text: string, readingId: string) =>
  unwrap(api.POST("/api/scenes/line", { body: { scene, text, reading_id: readingId } })) as Promise<
    Schemas["Typed"]
  >;

/** A scene worked out as it would be after some edits; nothing is kept. */
export const solve = (scene: Scene, edits: Edit[]) =>
  unwrap(api.POST("/api/scenes/solve", { body: { scene, edits } })) as Promise<Solution>;

export const editScene = (id: string, base: string, { edits, makes }: Changed) =>
  act("scenes_edit", { path: { id }, query: { base }, body: { edits, makes: makes ?? NOTHING } });

/** A scene begun by what is done in it, on today's outing. */
export const beginScene = ({ id, outing_id }: Scene, { edits, makes }: Changed) =>
  act("scenes_begin", {
    body: { id, outing_id, day: today(), edits, makes: makes ?? NOTHING },
  });

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
  queryOptions({
    queryKey: ["given", given],
    queryFn: () => unwrap(api.POST("/api/exposures/check", { body: given })),
    retry: false,
    ...readsOf("/api/exposures/check"),
  });

/** Film of one kind that an exposure, or a share of a multiple one, can go onto. */
export const fittingQuery = (film_id: string, share: number) =>
  queryOptions({
    queryKey: ["fitting", film_id, share],
    queryFn: () =>
      unwrap(api.GET("/api/pieces/fitting", { params: { query: { film_id, share } } })),
    enabled: film_id !== "",
    ...readsOf("/api/pieces/fitting"),
  });

export const bracketQuery = (asked: Schemas["Bracketing"]) =>
  queryOptions({
    queryKey: ["bracket", asked],
    queryFn: () => unwrap(api.POST("/api/scenes/bracket", { body: asked })),
    placeholderData: (before: Schemas["BracketShown"] | undefined) => before,
    retry: false,
    ...readsOf("/api/scenes/bracket"),
  });

/** Every school and up to three plans for a scene as it stands. */
export const opinionsQuery = (scene: Scene, stamp: number) =>
  queryOptions({
    queryKey: ["opinions", scene.id, scene, stamp],
    queryFn: () => unwrap(api.POST("/api/scenes/opinions", { body: scene })),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
    placeholderData: (before) => before,
    ...readsOf("/api/scenes/opinions"),
  });

export const spotMeterQuery = (sceneId: string) =>
  queryOptions({
    queryKey: ["spot-meter", sceneId],
    queryFn: () =>
      unwrap(api.GET("/api/devices/spot-meter", { params: { query: { scene_id: sceneId } } })),
    staleTime: Number.POSITIVE_INFINITY,
    ...readsOf("/api/devices/spot-meter"),
  });

export const pullTrigger = (scene: Scene, target: string, reading_id: string) =>
  unwrap(api.POST("/api/devices/spot-meter/trigger", { body: { scene, target, reading_id } }));

/** A report of an exposure with everything as planned; what is known better is changed. */
export const asPlanned = (
  scene: Scene,
  plan: Solution["plan"],
  id: string,
  piece_id: string,
): Given => ({
  id,
  scene_id: scene.id,
  piece_id,
  plan,
  aperture: null,
  time: null,
  note: "",
  bracket_id: null,
  bracket_stops: 0,
  share: 1,
  share_of: "one_scene",
  intervals: [],
  happened: false,
  unplaced: false,
});
