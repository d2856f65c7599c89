import { useEffect, useRef, useState } from "react";
import type { Act } from "../../api/acts";
import type { ActName } from "../../api/calls";
import { useWrite } from "../../shared/useWrite";
import { keeping } from "./keeping";

/** A draft of something kept: what is shown, how it is changed, and what became of keeping it. */
export function useDraft<T, N extends ActName>(
  stored: { value: T; version: string },
  put: (value: T, base: string) => Act<N>,
) {
  const [draft, setDraft] = useState<T>(stored.value);
  const { write, problem, setProblem, busy, take } = useWrite();
  const putting = useRef<(value: T, base: string) => Promise<string | null>>(async () => null);
  putting.current = async (value, base) => {
    const answer = await write(put(value, base));
    return answer && (answer as unknown as { version: string }).version;
  };
  const [mine] = useState(() =>
    keeping(stored, setDraft, (value, base) => putting.current(value, base)),
  );
  const { value, version } = stored;
  useEffect(() => mine.meet({ value, version }), [mine, value, version]);
  // leaving the page keeps what waits
  useEffect(() => () => void mine.flush(), [mine]);
  /** What another hand kept; mine is let go. */
  const takeTheirs = () => {
    mine.letGo();
    setProblem(null);
    void take();
  };
  return {
    draft,
    change: mine.change,
    flush: mine.flush,
    problem,
    busy,
    keepMine: mine.over,
    takeTheirs,
  };
}
