import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useLayoutEffect, useRef, useState } from "react";
import { type Act, carryOut } from "../../api/acts";
import { isAway, Refusal } from "../../api/refusal";
import {
  type Changed,
  change,
  changedBy,
  type Edit,
  type Kept,
  type Scene,
  type SceneView,
  sceneQuery,
} from "./queries";

/** Where a scene is kept: the answer it is shown from, how it is changed, and what that answer is
    once it was. */
export interface Keeper {
  key: readonly unknown[];
  change: (
    scene: Scene,
    base: string,
    changed: Changed,
  ) => Promise<Act<"scenes_say" | "scenes_edit" | "scenes_begin" | PractisedActs>>;
  kept: (shown: unknown, answer: Kept, before: SceneView) => unknown;
}
type PractisedActs = "practice_say_scene" | "practice_edit_scene" | "practice_take_spot";

/** A scene of the log. */
export const sceneKeeper = (id: string): Keeper => ({
  key: sceneQuery(id).queryKey,
  change,
  kept: (shown, answer, before) => ({ ...((shown as SceneView | undefined) ?? before), ...answer }),
});

/** Another hand changed the same scene: what this one would make of it, and what is kept now. */
export interface Clash {
  changed: Changed;
  mine: Scene;
  theirs: Scene;
  version: string;
  message: string;
}

/** What is changed, or what makes it of the scene as it is when its turn comes. */
export type Change = Edit[] | Changed | ((scene: Scene) => Promise<Changed>);

/**
 * Changing the kept scene by edits, those that could not be kept while the server is away, and the
 * clash with another tab when there is one.
 */
export function useKeeping(keeper: Keeper, view: SceneView | undefined) {
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
      if (!before || ("edits" in changed && changed.edits.length === 0)) return;
      try {
        // what was asked after the act before this one would come late, and be older than its answer
        await client.cancelQueries({ queryKey: keeper.key });
        const { answer } = await carryOut(client, await keeper.change(before.scene, base, changed));
        latest.current = { ...before, ...answer };
        client.setQueryData(keeper.key, (shown: unknown) => keeper.kept(shown, answer, before));
        setUnkept(null);
        setClash(null);
      } catch (problem) {
        if (isAway(problem)) setUnkept({ changed, message: (problem as Error).message });
        if (problem instanceof Refusal && problem.code === "conflict") {
          const mine = await changedBy(before.scene, changed);
          const { message, stored, version } = problem;
          setClash({ changed, mine, theirs: stored as Scene, version: version ?? "", message });
        }
        throw problem;
      }
    },
    [client, keeper],
  );

  // Lines can be typed faster than the page is drawn: each works on what the one before it left.
  const queue = useRef<Promise<void>>(Promise.resolve());
  const edit = useCallback(
    (wanted: Change) => {
      const turn = queue.current
        .catch(() => undefined)
        .then(async () => {
          const now = latest.current;
          if (!now) return;
          const made = typeof wanted === "function" ? await wanted(now.scene) : wanted;
          await save(Array.isArray(made) ? { edits: made } : made, now.version);
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
      await client.invalidateQueries({ queryKey: keeper.key });
    },
    [clash, client, keeper, save],
  );
  return { scene: view?.scene, edit, unkept, clash, settle };
}
