import { queryOptions } from "@tanstack/react-query";
import { api, newId, type Schemas, unwrap } from "../../api/client";

export type Outing = Schemas["Outing"];
export type OutingView = Schemas["OutingView"];

const at = (id: string) => ({ params: { path: { id } } });

export const putOuting = (outing: Outing, base: string | undefined) =>
  unwrap(
    api.PUT("/api/outings/{id}", {
      params: { path: { id: outing.id }, query: base ? { base } : {} },
      body: outing,
    }),
  );

export const deleteOuting = (id: string) => unwrap(api.DELETE("/api/outings/{id}", at(id)));

export const beginScene = (outingId: string, title: string) =>
  unwrap(api.POST("/api/outings/{id}/scenes", { ...at(outingId), body: { id: newId(), title } }));

export const revisit = (outingId: string, sceneId: string) =>
  unwrap(
    api.POST("/api/outings/{id}/revisit", {
      ...at(outingId),
      body: { id: newId(), scene_id: sceneId },
    }),
  );

export const pack = (outingId: string, packed: string[]) =>
  unwrap(api.PUT("/api/outings/{id}/packed", { ...at(outingId), body: { packed } }));

export const packingQuery = (outingId: string) =>
  queryOptions({
    queryKey: ["packing", outingId],
    queryFn: () => unwrap(api.GET("/api/outings/{id}/packing", at(outingId))),
  });

export const earlierQuery = (text: string) =>
  queryOptions({
    queryKey: ["earlier", text],
    queryFn: () => unwrap(api.GET("/api/outings/earlier", { params: { query: { text } } })),
    placeholderData: (before: Schemas["EarlierView"][] | undefined) => before,
  });

/** The latest exposures of an outing. */
export const exposedQuery = (outingId: string) =>
  queryOptions({
    queryKey: ["log", "outing", outingId],
    queryFn: () =>
      unwrap(api.GET("/api/log", { params: { query: { outing_id: outingId, limit: 6 } } })),
  });
