import { useCallback, useEffect, useRef, useState } from "react";

/** The answer to what is asked while it changes fast: one at a time and not more often than is seen,
    the latest wins, none is cut off before it answered. A refusal leaves what was answered before; with
    nothing asked there is no answer. */
export function useLatest<Asked, Answer>(
  asked: Asked | null,
  call: (asked: Asked) => Promise<Answer>,
  /** at least so long from one question to the next */
  apart_ms = 0,
): Answer | undefined {
  const [answer, setAnswer] = useState<Answer>();
  const waiting = useRef<{ asked: Asked } | null>(null);
  const wanted = useRef(false);
  const busy = useRef(false);
  const asking = useRef(call);
  asking.current = call;
  const run = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    while (waiting.current) {
      const began = performance.now();
      const next = waiting.current;
      waiting.current = null;
      try {
        const found = await asking.current(next.asked);
        if (wanted.current) setAnswer(found);
      } catch {
        // what was answered before stays
      }
      const rest = apart_ms - (performance.now() - began);
      if (rest > 0) await new Promise((go) => setTimeout(go, rest));
    }
    busy.current = false;
  }, [apart_ms]);
  useEffect(() => {
    wanted.current = asked !== null;
    if (asked === null) {
      waiting.current = null;
      setAnswer(undefined);
      return;
    }
    waiting.current = { asked };
    void run();
  }, [asked, run]);
  return answer;
}
