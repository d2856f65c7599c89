import { useCallback, useEffect, useRef, useState } from "react";
import { isAway } from "../../api/refusal";
import { type Edit, type Scene, type Solution, solve } from "./queries";

/** The scene worked out by the core; `ask` previews edits. The latest wins, one asked at a time. */
export function useSolution(scene: Scene | undefined, stamp: number) {
  const [solution, setSolution] = useState<Solution>();
  const [away, setAway] = useState(false);
  const waiting = useRef<{ scene: Scene; edits: Edit[] } | null>(null);
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
      void run();
    },
    [run],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: the stamp asks again when what it reads of changed
  useEffect(() => {
    if (scene) ask(scene, []);
  }, [scene, stamp, ask]);
  return { solution, away, ask };
}
