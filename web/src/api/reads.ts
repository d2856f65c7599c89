import type { Query, QueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import type { Call } from "./calls";

/* Which answers an act makes old: each says by which tables it is woken, an act which it touched. */

/** Woken by every act. */
const ANY = "*";
const wokenBy = new Map<string, Set<string>>();
let count = 0;
const touchedAt = new Map<string, number>();
const watchers = new Set<() => void>();

/** What an answer says of itself; all answers of one name are woken alike. */
export function heard(name: Call, said: Headers) {
  const known = wokenBy.get(name) ?? new Set();
  for (const table of said.get("x-emulsa-woken-by")?.split(" ") ?? []) known.add(table);
  wokenBy.set(name, known);
}

/** Everything that reads of these tables is read anew; resolves when what is shown is true again. */
export async function refresh(client: QueryClient, touched: string[]): Promise<void> {
  if (touched.length === 0) return;
  count += 1;
  const wakes = [...touched, ANY];
  for (const table of wakes) touchedAt.set(table, count);
  for (const tell of watchers) tell();
  // a refusal says not what it was read of
  const old = ({ queryKey: [name], state }: Query) => {
    const known = wokenBy.get(name as string);
    return !known || state.error !== null || wakes.some((table) => known.has(table));
  };
  // what is on its way for the first time may have been read before the act, and is not asked for
  // again by itself
  await client.cancelQueries({ predicate: (each) => each.state.data === undefined && old(each) });
  await client.invalidateQueries({ predicate: old });
}

const subscribe = (tell: () => void) => {
  watchers.add(tell);
  return () => void watchers.delete(tell);
};

/** A number that is another one as soon as something a question reads was touched; anything, while it
    was only refused and nobody knows what it reads. */
export const useStamp = (name: Call) =>
  useSyncExternalStore(subscribe, () => {
    const known = wokenBy.get(name);
    if (!known) return count;
    return Math.max(0, ...[...known].map((table) => touchedAt.get(table) ?? 0));
  });
