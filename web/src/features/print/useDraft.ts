import { useCallback, useEffect, useRef, useState } from "react";
import type { Act } from "../../api/acts";
import type { ActName } from "../../api/calls";
import { useWrite } from "../../shared/useWrite";

const REST_MS = 500;

/** Something as it is being changed: shown at once, kept after a moment's rest, and never written over
    by what it was before. `put` keeps it on the version it was changed from. */
export function useDraft<T, N extends ActName>(
  stored: { value: T; version: string },
  put: (value: T, base: string) => Act<N>,
) {
  const [draft, setDraft] = useState<T>(stored.value);
  const kept = useRef({ version: stored.version, pending: false });
  const { write, problem, setProblem, busy, take } = useWrite();
  const writing = useRef(write);
  writing.current = write;
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef(draft);
  latest.current = draft;
  // what another act, or undo, made of it is taken over when nothing of one's own waits
  useEffect(() => {
    if (kept.current.pending) return;
    kept.current.version = stored.version;
    setDraft(stored.value);
  }, [stored.version, stored.value]);
  const putting = useRef(put);
  putting.current = put;
  const flush = useCallback(async () => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    if (!kept.current.pending) return true;
    const sent = latest.current;
    const answer = await writing.current(putting.current(sent, kept.current.version));
    if (!answer) return false;
    const { version } = answer as unknown as { version: string };
    kept.current = { version, pending: latest.current !== sent };
    if (kept.current.pending) timer.current = setTimeout(() => void flush(), REST_MS);
    return true;
  }, []);
  const change = useCallback(
    (edit: (before: T) => T) => {
      setDraft((before) => edit(before));
      kept.current.pending = true;
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), REST_MS);
    },
    [flush],
  );
  // leaving the page keeps what waits
  const leaving = useRef(flush);
  leaving.current = flush;
  useEffect(() => () => void leaving.current(), []);
  /** Mine over what another hand kept meanwhile. */
  const keepMine = (base: string) => {
    kept.current.version = base;
    void flush();
  };
  /** What another hand kept; mine is let go. */
  const takeTheirs = () => {
    kept.current.pending = false;
    setProblem(null);
    void take();
  };
  return { draft, change, flush, problem, busy, keepMine, takeTheirs };
}
