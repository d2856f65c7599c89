import { api, newId, type Schemas, unwrap } from "../../api/client";

export const putOuting = (outing: Schemas["Outing"]) =>
  unwrap(api.PUT("/api/outings/{id}", { params: { path: { id: outing.id } }, body: outing }));

export const deleteOuting = (id: string) =>
  unwrap(api.DELETE("/api/outings/{id}", { params: { path: { id } } }));

export const beginScene = (outingId: string, title: string) =>
  unwrap(
    api.POST("/api/outings/{id}/scenes", {
      params: { path: { id: outingId } },
      body: { id: newId(), title },
    }),
  );
