import { useSyncExternalStore } from "react";

/* Whether an answer left a record out because it cannot be read: the service says so beside it. */

const HEADER = "x-emulsa-unread";
let met = false;
const watchers = new Set<() => void>();

/** An answer, looked at for what it left out. */
export function noticing(answer: Response): Response {
  if (!met && answer.headers.get(HEADER)) {
    met = true;
    for (const tell of watchers) tell();
  }
  return answer;
}

export const useMetUnread = () =>
  useSyncExternalStore(
    (tell) => {
      watchers.add(tell);
      return () => void watchers.delete(tell);
    },
    () => met,
  );
