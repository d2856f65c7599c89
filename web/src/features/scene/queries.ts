import { queryOptions, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { api, isAway, type Schemas, unwrap } from "../../api/client";

export type Scene = Schemas["Scene"];
export type Solution = Schemas["Solution"];
export type Fall = Schemas["Fall"];
export type Answer = Schemas["ExposureAnswer"];
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

export const readLine = (scene: Scene, text: string, readingId: string) =>
  unwrap(api.POST("/api/scenes/line", { body: { scene, text, reading_id: readingId } }));

export const expose = (given: Schemas["Given"]) =>
  unwrap(api.POST("/api/exposures", { body: given }));

export const correct = (id: string, correction: Schemas["Correction"]) =>
  unwrap(api.PUT("/api/exposures/{id}", { params: { path: { id } }, body: correction }));

export const putScene = (scene: Scene) =>
  unwrap(api.PUT("/api/scenes/{id}", { params: { path: { id: scene.id } }, body: scene }));

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

type SceneView = Schemas["SceneView"];

/** The kept scene, keeping a change, and the change that could not be kept while the server is away. */
export function useKeeping(id: string, kept: Scene | undefined) {
  const client = useQueryClient();
  const [unkept, setUnkept] = useState<{ scene: Scene; message: string } | null>(null);
  const latest = useRef(kept);
  useLayoutEffect(() => {
    latest.current = unkept?.scene ?? kept;
  }, [kept, unkept]);
  const save = useCallback(
    async (next: Scene) => {
      try {
        await putScene(next);
        latest.current = next;
      } catch (problem) {
        if (isAway(problem)) setUnkept({ scene: next, message: (problem as Error).message });
        throw problem;
      }
      setUnkept(null);
      client.setQueryData<SceneView>(["scene", id], (view) => view && { ...view, scene: next });
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
  return { scene: unkept?.scene ?? kept, save, edit, unkept };
}
