import type { QueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import reads from "./reads.json";

/* Which tables each question reads, as the service was watched reading them (a test watches again): an
   act says what it touched, and only what reads of that is read anew. */

type Question = keyof typeof reads;

declare module "@tanstack/react-query" {
  interface Register {
    queryMeta: { reads: string[] };
  }
}

/** What a query's options say of what it reads. */
export const readsOf = (question: Question) => ({ meta: { reads: reads[question] as string[] } });

/** Every answer is written as the preferences say. */
const reading = (tables: readonly string[]) => [...tables, "preference"];

let count = 0;
const touchedAt = new Map<string, number>();
const watchers = new Set<() => void>();

/** Everything that reads of these tables is read anew; resolves when what is shown is true again. */
export function refresh(client: QueryClient, touched: string[]): Promise<void> {
  if (touched.length === 0) return Promise.resolve();
  count += 1;
  for (const table of [...touched, "*"]) touchedAt.set(table, count);
  for (const tell of watchers) tell();
  const waits = new Set([...touched, "*"]);
  return client.invalidateQueries({
    predicate: ({ meta }) => !meta || reading(meta.reads).some((table) => waits.has(table)),
  });
}

const subscribe = (tell: () => void) => {
  watchers.add(tell);
  return () => void watchers.delete(tell);
};

/** A number that is another one as soon as something a question reads was touched. */
export const useStamp = (question: Question) =>
  useSyncExternalStore(subscribe, () =>
    Math.max(0, ...reading(reads[question]).map((table) => touchedAt.get(table) ?? 0)),
  );
