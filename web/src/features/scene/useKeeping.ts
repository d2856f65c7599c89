import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useLayoutEffect, useRef, useState } from "react";
import { carryOut } from "../../api/acts";
import { isAway, Refusal } from "../../api/client";
import {
  beginScene,
  type Changed,
  type Edit,
  editScene,
  type Scene,
  type SceneView,
  solve,
} from "./queries";

/** Another hand changed the same scene: what this one would make of it, and what is kept now. */
export interface Clash {
  changed: Changed;
  mine: Scene;
  theirs: Scene;
  version: string;
  message: string;
}

/** Edits, or what makes them of the scene as it is when their turn comes. */
export type Change = Edit[] | ((scene: Scene) => Promise<Changed>);

/**
 * Changing the kept scene by edits, those that could not be kept while the server is away, and the
 * clash with another tab when there is one.
 */
export function useKeeping(id: string, view: SceneView | undefined) {
  const client = useQueryClient();
  const [unkept, setUnkept] = useState<{ changed: Changed; message: string } | null>(null);
  const [clash, setClash] = useState<Clash | null>(null);
  const latest = useRef(view);
  useLayoutEffect(() => {
    latest.current = view;
  }, [view]);

  const save = useCallback(
    async (changed: Changed, base: string) => {
      const before = latest.current;
      if (!before || changed.edits.length === 0) return;
      try {
        // a scene that was never kept begins by what is done in it
        const doing = base ? editScene(id, base, changed) : beginScene(before.scene, changed);
        const { answer } = await carryOut(client, doing);
        latest.current = { ...before, ...answer };
        client.setQueryData<SceneView>(["scene", id], (shown) => ({
          ...(shown ?? before),
          ...answer,
        }));
        setUnkept(null);
        setClash(null);
      } catch (problem) {
        if (isAway(problem)) setUnkept({ changed, message: (problem as Error).message });
        if (problem instanceof Refusal && problem.code === "conflict") {
          const mine = (await solve(before.scene, changed.edits)).scene;
          const { message, stored, version } = problem;
          setClash({ changed, mine, theirs: stored as Scene, version: version ?? "", message });
        }
        throw problem;
      }
    },
    [client, id],
  );

  // Lines can be typed faster than the page is drawn: each works on what the one before it left.
  const queue = useRef<Promise<void>>(Promise.resolve());
  const edit = useCallback(
    (change: Change) => {
      const turn = queue.current
        .catch(() => undefined)
        .then(async () => {
          const now = latest.current;
          if (!now) return;
          const changed =
            typeof change === "function" ? await change(now.scene) : { edits: change };
          await save(changed, now.version);
        });
      queue.current = turn;
      return turn;
    },
    [save],
  );

  const settle = useCallback(
    async (mine: boolean) => {
      if (!clash) return;
      if (mine) await save(clash.changed, clash.version);
      setClash(null);
      await client.invalidateQueries({ queryKey: ["scene", id] });
    },
    [clash, client, id, save],
  );
  return { scene: view?.scene, edit, unkept, clash, settle };
}
