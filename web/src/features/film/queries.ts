import { queryOptions } from "@tanstack/react-query";
import { api, newId, type Schemas, unwrap } from "../../api/client";

type Holder = Schemas["Holder"];
type Roll = Schemas["Roll"];
type Stock = Schemas["Stock"];

const at = (id: string) => ({ params: { path: { id } } });
const onVersion = (id: string, base?: string) => ({
  params: { path: { id }, query: base ? { base } : {} },
});

export const newHolder = (number: number): Holder => ({
  id: newId(),
  number,
  format: "4x5",
  faults: [],
  retired: false,
  note: "",
});

export const putHolder = (holder: Holder, base?: string) =>
  unwrap(api.PUT("/api/holders/{id}", { ...onVersion(holder.id, base), body: holder }));

export const deleteHolder = (id: string) => unwrap(api.DELETE("/api/holders/{id}", at(id)));

export const loadSides = (sides: string, film_id: string, stock_id: string | null) =>
  unwrap(api.POST("/api/holders/load", { body: { id: newId(), sides, film_id, stock_id } }));

/** Unexposed sheets back to their box, or exposed ones into a named one. */
export const unloadSides = (sides: string, box: string) =>
  unwrap(api.POST("/api/holders/unload", { body: { sides, box } }));

/** The sides a text names: what "3-4 6B" means is the core's business. */
export const sidesQuery = (text: string) =>
  queryOptions({
    queryKey: ["sides", text],
    queryFn: () => unwrap(api.GET("/api/holders/sides", { params: { query: { text } } })),
    retry: false,
  });

export const checklistQuery = queryOptions({
  queryKey: ["bag-checklist"],
  queryFn: () => unwrap(api.GET("/api/holders/checklist")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const boxesQuery = queryOptions({
  queryKey: ["exposed-boxes"],
  queryFn: () => unwrap(api.GET("/api/holders/boxes")),
});

export const stockQuery = queryOptions({
  queryKey: ["stock"],
  queryFn: () => unwrap(api.GET("/api/stock")),
});

export const putStock = (stock: Stock, base?: string) =>
  unwrap(api.PUT("/api/stock/{id}", { ...onVersion(stock.id, base), body: stock }));

export const deleteStock = (id: string) => unwrap(api.DELETE("/api/stock/{id}", at(id)));

export const loadRoll = (body: Schemas["RollLoading"]) => unwrap(api.POST("/api/rolls", { body }));

export const putRoll = (roll: Roll, base: string) =>
  unwrap(api.PUT("/api/rolls/{id}", { ...onVersion(roll.id, base), body: roll }));

export const takeOutUnexposed = (id: string) => unwrap(api.DELETE("/api/rolls/{id}", at(id)));

export const sawItAdvance = (id: string) => unwrap(api.POST("/api/rolls/{id}/advanced", at(id)));

export const windOn = (id: string) => unwrap(api.POST("/api/rolls/{id}/skip", at(id)));

export const takeOut = (id: string, finished: boolean) =>
  unwrap(api.POST("/api/rolls/{id}/take-out", { ...at(id), body: { finished } }));

export const putBack = (id: string, camera_id: string | null, back: string) =>
  unwrap(api.POST("/api/rolls/{id}/put-back", { ...at(id), body: { camera_id, back } }));

export const cutRoll = (id: string, after: number[]) =>
  unwrap(api.POST("/api/rolls/{id}/cut", { ...at(id), body: { after } }));

export const weigh = (id: string, frame: number, weight: number) =>
  unwrap(api.POST("/api/rolls/{id}/weight", { ...at(id), body: { frame, weight } }));

export const choicesQuery = (stripId: string) =>
  queryOptions({
    queryKey: ["choices", stripId],
    queryFn: () => unwrap(api.GET("/api/rolls/strips/{id}/choices", at(stripId))),
    retry: false,
  });

export const developStrip = (id: string, n: number | null, recipe_id: string | null) =>
  unwrap(api.PUT("/api/rolls/strips/{id}/development", { ...at(id), body: { n, recipe_id } }));
