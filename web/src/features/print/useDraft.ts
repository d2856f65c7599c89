import { useCallback, useEffect, useRef, useState } from "react";
import { useWrite } from "../../shared/useWrite";
import { type Print, type PrintView, putPrint } from "./queries";

const REST_MS = 500;

/** A print as it is being changed: drawn at once, kept after a moment's rest, and never written over
    by what it was before. */
export function useDraft(view: PrintView) {
  const [draft, setDraft] = useState<Print>(view.print);
  const kept = useRef({ version: view.version, pending: false });
  const { write, problem, setProblem, busy, take } = useWrite();
  const writing = useRef(write);
  writing.current = write;
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef(draft);
  latest.current = draft;
  // what another act, or undo, made of it is taken over when nothing of one's own waits
  useEffect(() => {
    if (kept.current.pending) return;
    kept.current.version = view.version;
    setDraft(view.print);
  }, [view]);
  const flush = useCallback(async () => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    if (!kept.current.pending) return true;
    const sent = latest.current;
    const answer = await writing.current(putPrint(sent, kept.current.version));
    if (!answer) return false;
    kept.current = { version: answer.version, pending: latest.current !== sent };
    if (kept.current.pending) timer.current = setTimeout(() => void flush(), REST_MS);
    return true;
  }, []);
  const change = useCallback(
    (edit: (before: Print) => Print) => {
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
