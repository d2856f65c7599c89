import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { BEGUN } from "../../service/service";

type Holder = Schemas["Holder"];
type Roll = Schemas["Roll"];
type Stock = Schemas["Stock"];

export const newHolder = (number: number): Holder => ({ ...BEGUN.holder, id: newId(), number });

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
  queryOptions({ ...question("holders_named", { query: { text } }), retry: false });

export type ShownList = Schemas["ShownList"];

/** Lists for loading film, as one loads. */
export const listsQuery = question("holders_lists");

/** One's own steps of a list, one in a line; without any it is the usual one again. */
export const putList = (key: ShownList["list"]["key"], text: string, base: string) =>
  act("holders_put_list", { path: { key }, query: { base }, body: { text } });
export const boxesQuery = question("holders_exposed_boxes");

export const stockQuery = question("stock_read");

export const suppliesQuery = question("stock_supplies");

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
    ...question("rolls_strip_choices", { path: { id: stripId }, query: { exposure_index } }),
    placeholderData: keepPreviousData,
    retry: false,
  });
