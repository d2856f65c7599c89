import { useState } from "react";
import type { Refusal } from "../../../api/client";
import type { Scene } from "../queries";
import type { WordProps } from "./props";

/** Keeping a change from inside a word: the refusal stays beside what was typed. */
export function useKeep(save: WordProps["save"], close: () => void) {
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (scene: Scene) => {
    try {
      await save(scene);
      setProblem(null);
      close();
    } catch (refusal) {
      setProblem((refusal as Refusal).message);
    }
  };
  return { problem, setProblem, keep };
}
