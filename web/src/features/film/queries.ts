import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, newId, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

type Holder = Schemas["Holder"];
type Roll = Schemas["Roll"];
type Stock = Schemas["Stock"];

export const newHolder = (number: number): Holder => ({
  id: newId(),
  number,
  format: "4x5",
  faults: [],
  retired: false,
  note: "",
});

export const putHolder = (holder: Holder, base: string) =>
  act("holders_put", { path: { id: holder.id }, query: { base }, body: holder });

export const deleteHolder = (id: string) => act("holders_delete", { path: { id } });

export const loadSides = (id: string, sides: string, film_id: string, stock_id: string | null) =>
  act("holders_load", { body: { id, sides, film_id, stock_id } });

/** Unexposed sheets back to their box, or exposed ones into a named one. */
export const unloadSides = (sides: string, box: string) =>
  act("holders_unload", { body: { sides, box } });

/** The sides a text names: what "3-4 6B" means is the core's business. */
export const sidesQuery = (text: string) =>
  queryOptions({
    queryKey: ["sides", text],
    queryFn: () => unwrap(api.GET("/api/holders/sides", { params: { query: { text } } })),
    retry: false,
    ...readsOf("/api/holders/sides"),
  });

export const checklistQuery = queryOptions({
  queryKey: ["bag-checklist"],
  queryFn: () => unwrap(api.GET("/api/holders/checklist")),
  staleTime: Number.POSITIVE_INFINITY,
  ...readsOf("/api/holders/checklist"),
});

export const boxesQuery = queryOptions({
  queryKey: ["exposed-boxes"],
  queryFn: () => unwrap(api.GET("/api/holders/boxes")),
  ...readsOf("/api/holders/boxes"),
});

export const stockQuery = queryOptions({
  queryKey: ["stock"],
  queryFn: () => unwrap(api.GET("/api/stock")),
  ...readsOf("/api/stock"),
});

export const putStock = (stock: Stock, base: string) =>
  act("stock_put", { path: { id: stock.id }, query: { base }, body: stock });

export const deleteStock = (id: string) => act("stock_delete", { path: { id } });

export const loadRoll = (body: Schemas["RollLoading"]) => act("rolls_load", { body });

export const putRoll = (roll: Roll, base: string) =>
  act("rolls_put", { path: { id: roll.id }, query: { base }, body: roll });

export const takeOutUnexposed = (id: string) => act("rolls_unload", { path: { id } });

export const sawItAdvance = (id: string) => act("rolls_advanced", { path: { id } });

export const windOn = (id: string) => act("rolls_skip", { path: { id } });

export const takeOut = (id: string, finished: boolean) =>
  act("rolls_take_out", { path: { id }, body: { finished } });

export const putBack = (id: string, camera_id: string | null, back: string) =>
  act("rolls_put_back", { path: { id }, body: { camera_id, back } });

export const cutRoll = (id: string, after: number[]) =>
  act("rolls_cut", { path: { id }, body: { after } });

export const weigh = (id: string, frame: number, weight: number) =>
  act("rolls_weigh", { path: { id }, body: { frame, weight } });

export const choicesQuery = (stripId: string, exposure_index: number | null) =>
  queryOptions({
    queryKey: ["choices", stripId, exposure_index],
    queryFn: () =>
      unwrap(
        api.GET("/api/rolls/strips/{id}/choices", {
          params: { path: { id: stripId }, query: { exposure_index } },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
    ...readsOf("/api/rolls/strips/{id}/choices"),
  });
