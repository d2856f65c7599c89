import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";

export const journalQuery = queryOptions({
  queryKey: ["journal"],
  queryFn: () => unwrap(api.GET("/api/journal")),
});

/** What undo and redo would do next, and doing it; everything shown is read anew afterwards. */
export function useJournal() {
  const client = useQueryClient();
  const reach = useQuery(journalQuery).data;
  const refresh = () => client.invalidateQueries();
  const undo = useMutation({ mutationFn: () => unwrap(api.POST("/api/undo")), onSuccess: refresh });
  const redo = useMutation({ mutationFn: () => unwrap(api.POST("/api/redo")), onSuccess: refresh });
  return { reach, undo, redo };
}
