import { useCallback, useEffect, useRef, useState } from "react";

/** The answer to what is asked while it changes fast: one at a time, the latest wins, none is cut off
    before it answered. A refusal leaves what was answered before. */
export function useLatest<Asked, Answer>(
  asked: Asked | null,
  call: (asked: Asked) => Promise<Answer>,
): Answer | undefined {
  const [answer, setAnswer] = useState<Answer>();
  const waiting = useRef<{ asked: Asked } | null>(null);
  const busy = useRef(false);
  const asking = useRef(call);
  asking.current = call;
  const run = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    while (waiting.current) {
      const next = waiting.current;
      waiting.current = null;
      try {
        setAnswer(await asking.current(next.asked));
      } catch {
        // what was answered before stays
      }
    }
    busy.current = false;
  }, []);
  useEffect(() => {
    if (asked === null) return;
    waiting.current = { asked };
    void run();
  }, [asked, run]);
  return answer;
}
