import { useCallback, useEffect, useRef, useState } from "react";
import { isAway } from "../../api/refusal";
import { Told } from "../../shared/told";
import { type Edit, type Scene, type Solution, solve } from "./queries";

/** A scene, and the edits one is about to make to it. */
export interface Draft {
  scene: Scene;
  edits: Edit[];
}

/** The scene worked out by the core; `ask` previews edits. The latest wins, one asked at a time;
    `draft` is what was asked last: whoever shows another side of it asks beside, not afterwards. */
export function useSolution(scene: Scene | undefined, stamp: number) {
  const [solution, setSolution] = useState<Solution>();
  const [away, setAway] = useState(false);
  const [draft] = useState(() => new Told<Draft | null>(null));
  const waiting = useRef<Draft | null>(null);
  const busy = useRef(false);
  const run = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    while (waiting.current) {
      const { scene, edits } = waiting.current;
      waiting.current = null;
      try {
        setSolution(await solve(scene, edits));
        setAway(false);
      } catch (problem) {
        setAway(isAway(problem));
      }
    }
    busy.current = false;
  }, []);
  const ask = useCallback(
    (scene: Scene, edits: Edit[]) => {
      waiting.current = { scene, edits };
      draft.set(waiting.current);
      void run();
    },
    [run, draft],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: the stamp asks again when what it reads of changed
  useEffect(() => {
    if (scene) ask(scene, []);
  }, [scene, stamp, ask]);
  return { solution, draft, away, ask };
}
