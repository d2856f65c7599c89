import { useSyncExternalStore } from "react";
import type { Refusal } from "./refusal";

/* Whether a comma between digits is a decimal point was asked, and by which call; asked no more once
   that call is answered. The reading line asks by itself. */

const BY_ITSELF: string[] = ["scenes_line", "scenes_say"];
let asking: { name: string; points: string } | null = null;
let places = 0;
const watchers = new Set<() => void>();

function now(asked: typeof asking) {
  asking = asked;
  for (const tell of watchers) tell();
}

export function commaAsked(name: string, { code, allowed }: Refusal) {
  if (code === "comma" && !BY_ITSELF.includes(name)) now({ name, points: String(allowed?.[0]) });
}

export function commaAnswered(name: string) {
  if (asking?.name === name) now(null);
}

export const askNoMore = () => now(null);

const subscribe = (tell: () => void) => {
  watchers.add(tell);
  return () => void watchers.delete(tell);
};

/** What was typed, with points for its commas, while it is asked. */
export const useCommaAsked = () => useSyncExternalStore(subscribe, () => asking?.points ?? null);

/** A place that asks by itself is there, until it is gone. */
export function askedWithin() {
  places += 1;
  for (const tell of watchers) tell();
  return () => {
    places -= 1;
    for (const tell of watchers) tell();
  };
}

export const useAskedWithin = () => useSyncExternalStore(subscribe, () => places > 0);
