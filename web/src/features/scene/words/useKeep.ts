import { useState } from "react";
import type { Refusal } from "../../../api/refusal";
import type { Edit } from "../queries";
import type { WordProps } from "./props";

/** Keeping edits from inside a word: the refusal stays beside what was typed. */
export function useKeep(edit: WordProps["edit"], close: () => void) {
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (...edits: Edit[]) => {
    try {
      await edit(edits);
      setProblem(null);
      close();
    } catch (refusal) {
      setProblem((refusal as Refusal).message);
    }
  };
  return { problem, setProblem, keep };
}
