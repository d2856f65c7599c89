import { useSyncExternalStore } from "react";

/* Whose clock is wrong: each time home answers, this device's is compared with it. */

const ALIKE_MS = 10 * 60_000;
let ahead_ms = 0;
const watchers = new Set<() => void>();

/** An answer of home's, looked at for its moment. */
export function compared(answer: Response): Response {
  const said = Date.parse(answer.headers.get("date") ?? "");
  if (Number.isNaN(said)) return answer;
  const ahead = Date.now() - said;
  const told = Math.abs(ahead) < ALIKE_MS ? 0 : ahead;
  if (Math.abs(told - ahead_ms) >= ALIKE_MS || told === 0) {
    const news = told !== ahead_ms;
    ahead_ms = told;
    if (news) for (const tell of watchers) tell();
  }
  return answer;
}

/** By how much this device's clock is ahead of home's, in milliseconds; 0 when it goes as home's. */
export const useClockAhead = (): number =>
  useSyncExternalStore(
    (tell) => {
      watchers.add(tell);
      return () => void watchers.delete(tell);
    },
    () => ahead_ms,
  );
