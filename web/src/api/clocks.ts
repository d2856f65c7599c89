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

const HOUR_MS = 3_600_000;
const count = (many: number, word: string) => `${many} ${word}${many === 1 ? "" : "s"}`;

/** What is wrong with this device's clock; nothing when it goes as home's. */
export const useClockWrong = (): string =>
  useSyncExternalStore(
    (tell) => {
      watchers.add(tell);
      return () => void watchers.delete(tell);
    },
    () => {
      if (ahead_ms === 0) return "";
      const by = Math.abs(ahead_ms);
      const much =
        by >= 24 * HOUR_MS
          ? count(Math.round(by / 24 / HOUR_MS), "day")
          : by >= HOUR_MS
            ? count(Math.round(by / HOUR_MS), "hour")
            : count(Math.round(by / 60_000), "minute");
      return `This device's clock is ${much} ${ahead_ms > 0 ? "ahead of" : "behind"} home's. Set it right: what is done here is kept at the moment it shows.`;
    },
  );
