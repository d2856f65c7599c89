import { api, newId, type Schemas, unwrap } from "../../api/client";

export const newHolder = (number: number): Schemas["Holder"] => ({ id: newId(), number, note: "" });

export const putHolder = (holder: Schemas["Holder"]) =>
  unwrap(api.PUT("/api/holders/{id}", { params: { path: { id: holder.id } }, body: holder }));

export const deleteHolder = (id: string) =>
  unwrap(api.DELETE("/api/holders/{id}", { params: { path: { id } } }));

export const loadSides = (sides: string, filmId: string) =>
  unwrap(api.POST("/api/holders/load", { body: { id: newId(), sides, film_id: filmId } }));

export const unloadSides = (sides: string) =>
  unwrap(api.POST("/api/holders/unload", { body: { sides } }));
