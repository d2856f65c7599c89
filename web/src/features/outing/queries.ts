import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type Outing = Schemas["Outing"];
export type OutingView = Schemas["OutingView"];

export type DayLight = Schemas["DayLight"];
export type DayExposure = Schemas["DayExposure"];

/** A day to be drawn: its scenes' slips and its exposures by the hour. */
export const drawnQuery = (id: string) => question("outings_read_drawn", { path: { id } });

/** Sun and moon over an outing's place, from the midnight its day begins with here. */
export const lightQuery = (id: string, begin: string) =>
  question("outings_read_light", { path: { id }, query: { begin } });

export const putOuting = (outing: Outing, base: string) =>
  act("outings_put", { path: { id: outing.id }, query: { base }, body: outing });

export const deleteOuting = (id: string) => act("outings_delete", { path: { id } });

export const beginScene = (outingId: string, id: string, title: string) =>
  act("outings_begin", { path: { id: outingId }, body: { id, title, begun: null } });

export const revisit = (outingId: string, id: string, scene_id: string) =>
  act("outings_revisit", { path: { id: outingId }, body: { id, scene_id } });

/** Something into the bag, or out of it again. */
export const pack = (outingId: string, put_in: string[], taken_out: string[]) =>
  act("outings_pack", { path: { id: outingId }, body: { put_in, taken_out } });

export const packingQuery = (outingId: string) =>
  question("outings_pack_list", { path: { id: outingId } });

export const earlierQuery = (text: string) =>
  queryOptions({
    ...question("outings_earlier", { query: { text } }),
    placeholderData: (before: Schemas["EarlierView"][] | undefined) => before,
  });
