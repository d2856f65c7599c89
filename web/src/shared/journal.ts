import { type QueryClient, useQuery, useQueryClient } from "@tanstack/react-query";
import { act } from "../api/acts";
import { question } from "../api/ask";
import { useWrite } from "./useWrite";

const journalQuery = question("journal_reach");

type Way = "undo" | "redo";

/* One turn after the other: a second u, pressed before the first is done, means what comes after it. */
let turning = Promise.resolve();

/** What is under way is done, and the journal has heard of it: undo, pressed at once, means that. */
async function caughtUp(client: QueryClient): Promise<void> {
  if (client.isMutating() > 0)
    await new Promise<void>((done) => {
      const leave = client.getMutationCache().subscribe(() => {
        if (client.isMutating() > 0) return;
        leave();
        done();
      });
    });
  const { queryKey } = journalQuery;
  const state = client.getQueryState(queryKey);
  if (state?.isInvalidated || state?.fetchStatus === "fetching")
    await client.refetchQueries({ queryKey }, { cancelRefetch: false });
}

/** What undo and redo would do next, and doing just that: with two hands at once one is undone. */
export function useJournal() {
  const client = useQueryClient();
  const reach = useQuery(journalQuery);
  const { write, busy, problem } = useWrite();
  const turn = (way: Way) => {
    turning = turning.then(async () => {
      await caughtUp(client);
      const next = client.getQueryData(journalQuery.queryKey)?.[way];
      if (!next) return;
      const done = await write(act(`journal_${way}`, { body: { action_id: next.id } }));
      if (!done) await reach.refetch(); // another hand was quicker: what comes next is shown
    });
    return turning;
  };
  return {
    reach: reach.data,
    busy,
    problem,
    undo: () => turn("undo"),
    redo: () => turn("redo"),
  };
}
