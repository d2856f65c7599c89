import { useSyncExternalStore } from "react";
import type { Call } from "./calls";
import type { Refusal } from "./refusal";

/* Whether a comma between digits is a decimal point was asked, and by which call; asked no more once
   that call is answered. The reading line asks by itself. */

const BY_ITSELF: Call[] = ["scenes_line", "scenes_say"];
let asking: { name: Call; points: string } | null = null;
const watchers = new Set<() => void>();

function now(asked: typeof asking) {
  asking = asked;
  for (const tell of watchers) tell();
}

export function commaAsked(name: Call, { code, allowed }: Refusal) {
  if (code === "comma" && !BY_ITSELF.includes(name)) now({ name, points: String(allowed?.[0]) });
}

export function commaAnswered(name: Call) {
  if (asking?.name === name) now(null);
}

export const askNoMore = () => now(null);

/** What was typed, with points for its commas, while it is asked. */
export const useCommaAsked = () =>
  useSyncExternalStore(
    (tell) => {
      watchers.add(tell);
      return () => void watchers.delete(tell);
    },
    () => asking?.points ?? null,
  );
