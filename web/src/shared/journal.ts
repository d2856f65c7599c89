import { queryOptions, useQuery } from "@tanstack/react-query";
import { act } from "../api/acts";
import { api, unwrap } from "../api/client";
import { readsOf } from "../api/reads";
import { useWrite } from "./useWrite";

const journalQuery = queryOptions({
  queryKey: ["journal"],
  queryFn: () => unwrap(api.GET("/api/journal")),
  ...readsOf("/api/journal"),
});

/** What undo and redo would do next, and doing just that: with two hands at once one is undone. */
export function useJournal() {
  const reach = useQuery(journalQuery);
  const { write, busy, problem } = useWrite();
  const turn = async (name: "journal_undo" | "journal_redo", action_id: number | undefined) => {
    if (action_id === undefined || busy) return;
    const done = await write(act(name, { body: { action_id } }));
    if (!done) await reach.refetch(); // another hand was quicker: what comes next is shown
  };
  return {
    reach: reach.data,
    busy,
    problem,
    undo: () => turn("journal_undo", reach.data?.undo?.id),
    redo: () => turn("journal_redo", reach.data?.redo?.id),
  };
}
