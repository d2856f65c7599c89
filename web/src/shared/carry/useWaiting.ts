import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { keptOutside } from "../../api/kept";
import { carryQuery } from "./queries";

/* How much waits to be handed in, kept beside the copy: it is said, too, when the copy cannot be asked,
   and one that has less than it had is not taken for whole. */

interface Known {
  /** of which copy: when it was taken */
  at: string;
  waiting: number;
}
const kept = keptOutside<Known>("emulsa-waiting");
/** as it was when the page was opened */
const before = kept.read();

export interface Waiting {
  /** none: the copy does not answer, and nothing is known of it */
  count: number | null;
  /** what cannot be read: the copy does not answer */
  problem: string | null;
  /** so many things that were done here are not here any more */
  lost: number;
}

export function useWaiting(at: string): Waiting {
  const { data, error } = useQuery(carryQuery);
  const count = data?.waiting ?? null;
  useEffect(() => {
    if (count !== null) kept.keep({ at, waiting: count });
  }, [at, count]);
  const known = before?.at === at ? before.waiting : null;
  const first = firstOf(count);
  return {
    count: count ?? known,
    problem: error?.message ?? null,
    lost: first !== null && known !== null ? Math.max(0, known - first) : 0,
  };
}

let first: number | null = null;

/** What the copy said when it was asked first: what is taken back later is not lost. */
function firstOf(count: number | null): number | null {
  if (first === null && count !== null) first = count;
  return first;
}

export const saysWaiting = ({ count, problem }: Waiting): string => {
  if (count === null) return "How much was done in this copy cannot be read now.";
  const many = count === 1 ? "One thing was" : `${count} things were`;
  if (problem) return `${many} done in this copy when it was read last; it is still kept here.`;
  if (count === 0) return "Nothing was done in this copy that home does not know.";
  return count === 1
    ? "One thing was done in this copy. Handed in, it is done at home, at the moment it happened."
    : `${count} things were done in this copy. Handed in, they are done at home in their order, each once, at the moment it happened.`;
};
