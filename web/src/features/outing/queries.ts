import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

export type Outing = Schemas["Outing"];
export type OutingView = Schemas["OutingView"];

export const putOuting = (outing: Outing, base: string) =>
  act("outings_put", { path: { id: outing.id }, query: { base }, body: outing });

export const deleteOuting = (id: string) => act("outings_delete", { path: { id } });

export const beginScene = (outingId: string, id: string, title: string) =>
  act("outings_begin", { path: { id: outingId }, body: { id, title } });

export const revisit = (outingId: string, id: string, scene_id: string) =>
  act("outings_revisit", { path: { id: outingId }, body: { id, scene_id } });

/** Something into the bag, or out of it again. */
export const pack = (outingId: string, put_in: string[], taken_out: string[]) =>
  act("outings_pack", { path: { id: outingId }, body: { put_in, taken_out } });

/** Film that can be exposed now: sides and the frames in the gates. */
export const readyQuery = queryOptions({
  queryKey: ["ready"],
  queryFn: () => unwrap(api.GET("/api/pieces/ready")),
  ...readsOf("/api/pieces/ready"),
});

export const packingQuery = (outingId: string) =>
  queryOptions({
    queryKey: ["packing", outingId],
    queryFn: () =>
      unwrap(api.GET("/api/outings/{id}/packing", { params: { path: { id: outingId } } })),
    ...readsOf("/api/outings/{id}/packing"),
  });

export const earlierQuery = (text: string) =>
  queryOptions({
    queryKey: ["earlier", text],
    queryFn: () => unwrap(api.GET("/api/outings/earlier", { params: { query: { text } } })),
    placeholderData: (before: Schemas["EarlierView"][] | undefined) => before,
    ...readsOf("/api/outings/earlier"),
  });

/** The latest exposures of an outing. */
export const exposedQuery = (outingId: string) =>
  queryOptions({
    queryKey: ["log", "outing", outingId],
    queryFn: () =>
      unwrap(api.GET("/api/log", { params: { query: { outing_id: outingId, limit: 6 } } })),
    ...readsOf("/api/log"),
  });
