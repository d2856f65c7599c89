import { queryOptions, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { api, isAway, Refusal, type Schemas, unwrap } from "../../api/client";

export type Scene = Schemas["Scene"];
export type Solution = Schemas["Solution"];
export type Fall = Schemas["Fall"];
export type Answer = Schemas["ExposureAnswer"];
export type Given = Schemas["Given"];
export type ExposureView = Schemas["ExposureView"];

export const sceneQuery = (id: string) =>
  queryOptions({
    queryKey: ["scene", id],
    queryFn: () => unwrap(api.GET("/api/scenes/{id}", { params: { path: { id } } })),
  });

export const sourcesQuery = queryOptions({
  queryKey: ["sources"],
  queryFn: () => unwrap(api.GET("/api/compute/sources")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const moversQuery = queryOptions({
  queryKey: ["movers"],
  queryFn: () => unwrap(api.GET("/api/compute/movers")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const readLine = (scene: Scene, text: string, readingId: string) =>
  unwrap(api.POST("/api/scenes/line", { body: { scene, text, reading_id: readingId } }));

export const expose = (given: Schemas["Given"]) =>
  unwrap(api.POST("/api/exposures", { body: given }));

export const putScene = (scene: Scene, base: string | null) =>
  unwrap(
    api.PUT("/api/scenes/{id}", {
      params: { path: { id: scene.id }, query: base ? { base } : {} },
      body: scene,
    }),
  );

export const checkGiven = (given: Given) =>
  unwrap(api.POST("/api/exposures/check", { body: given }));

export const bracketOf = (body: Schemas["Bracketing"]) =>
  unwrap(api.POST("/api/scenes/bracket", { body }));

export const logBracket = (id: string, frames: Given[]) =>
  unwrap(api.POST("/api/exposures/bracket", { body: { id, frames } }));

/** Every school and up to three plans for a scene as it stands. */
export const opinionsQuery = (scene: Scene, stamp: number) =>
  queryOptions({
    queryKey: ["opinions", scene.id, scene, stamp],
    queryFn: () => unwrap(api.POST("/api/scenes/opinions", { body: scene })),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
    placeholderData: (before) => before,
  });

export const spotMeterQuery = (sceneId: string) =>
  queryOptions({
    queryKey: ["spot-meter", sceneId],
    queryFn: () =>
      unwrap(api.GET("/api/devices/spot-meter", { params: { query: { scene_id: sceneId } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const pullTrigger = (scene: Scene, target: string, reading_id: string) =>
  unwrap(api.POST("/api/devices/spot-meter/trigger", { body: { scene, target, reading_id } }));

/** A report of an exposure with everything as planned; what is known better is changed. */
export const asPlanned = (scene: Scene, id: string, piece_id: string): Given => ({
  id,
  scene_id: scene.id,
  piece_id,
  aperture: null,
  time: null,
  note: "",
  bracket_id: null,
  bracket_stops: 0,
  share: 1,
  intervals: [],
});

/** The scene worked out by the core; `ask` previews a draft. The latest wins, one asked at a time. */
export function useSolution(scene: Scene | undefined, stamp: number) {
  const [solution, setSolution] = useState<Solution>();
  const [away, setAway] = useState(false);
  const waiting = useRef<Scene | null>(null);
  const busy = useRef(false);
  const run = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    while (waiting.current) {
      const body = waiting.current;
      waiting.current = null;
      try {
        setSolution(await unwrap(api.POST("/api/scenes/solve", { body })));
        setAway(false);
      } catch (problem) {
        setAway(isAway(problem));
      }
    }
    busy.current = false;
  }, []);
  const ask = useCallback(
    (draft: Scene) => {
      waiting.current = draft;
      void run();
    },
    [run],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: the stamp asks again when the kit changed
  useEffect(() => {
    if (scene) ask(scene);
  }, [scene, stamp, ask]);
  return { solution, away, ask };
}

export type SceneView = Schemas["SceneView"];

/** Another hand changed the same scene: what this one wanted, and what is kept now. */
export interface Clash {
  mine: Scene;
  theirs: Scene;
  version: string;
  message: string;
}

/**
 * The kept scene, keeping a change, the change that could not be kept while the server is away, and
 * the clash with another tab when there is one.
 */
export function useKeeping(id: string, view: SceneView | undefined) {
  const client = useQueryClient();
  const kept = view?.scene;
  const [unkept, setUnkept] = useState<{ scene: Scene; message: string } | null>(null);
  const [clash, setClash] = useState<Clash | null>(null);
  const latest = useRef(kept);
  const base = useRef<string | null>(null);
  useLayoutEffect(() => {
    latest.current = unkept?.scene ?? kept;
  }, [kept, unkept]);
  useLayoutEffect(() => {
    base.current = view?.version ?? null;
  }, [view?.version]);
  const save = useCallback(
    async (next: Scene) => {
      try {
        const { version, lines } = await putScene(next, base.current);
        latest.current = next;
        base.current = version;
        setUnkept(null);
        setClash(null);
        client.setQueryData<SceneView>(
          ["scene", id],
          (before) => before && { ...before, scene: next, version, lines },
        );
      } catch (problem) {
        if (isAway(problem)) setUnkept({ scene: next, message: (problem as Error).message });
        if (problem instanceof Refusal && problem.code === "conflict") {
          setClash({
            mine: next,
            theirs: problem.stored as Scene,
            version: problem.version ?? "",
            message: problem.message,
          });
        }
        throw problem;
      }
      for (const queryKey of [["scene", id], ["journal"], ["outings"]]) {
        void client.invalidateQueries({ queryKey });
      }
    },
    [client, id],
  );
  // Lines can be typed faster than the page is drawn: each works on what the one before it left.
  const queue = useRef<Promise<void>>(Promise.resolve());
  const edit = useCallback(
    (change: (scene: Scene) => Promise<Scene>) => {
      const turn = queue.current
        .catch(() => undefined)
        .then(async () => {
          if (latest.current) await save(await change(latest.current));
        });
      queue.current = turn;
      return turn;
    },
    [save],
  );
  const settle = useCallback(
    async (mine: boolean) => {
      if (!clash) return;
      base.current = clash.version;
      if (mine) await save(clash.mine);
      setClash(null);
      await client.invalidateQueries({ queryKey: ["scene", id] });
    },
    [clash, client, id, save],
  );
  return { scene: unkept?.scene ?? kept, save, edit, unkept, clash, settle };
}
