import { useSyncExternalStore } from "react";

/* A line on what was just done, where the screen it was done on is gone. */

const STAYS_MS = 12_000;
let line: string | null = null;
let ends: ReturnType<typeof setTimeout> | undefined;
const watchers = new Set<() => void>();

/** Say it in every room, until it has been read or something else is said. */
export function say(next: string | null) {
  line = next;
  clearTimeout(ends);
  if (next) ends = setTimeout(() => say(null), STAYS_MS);
  for (const tell of watchers) tell();
}

export const useSaid = () =>
  useSyncExternalStore(
    (tell) => {
      watchers.add(tell);
      return () => watchers.delete(tell);
    },
    () => line,
  );
