import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

export type Print = Schemas["Print"];
export type PrintView = Schemas["PrintView"];
export type Drawn = Schemas["PrintDrawn"];
export type Try = Schemas["TryView"];
export type TryNotes = Schemas["TryNotes"];
export type Plan = Schemas["PrintPlan"];
export type Area = Schemas["PlannedArea"];
export type Part = Schemas["PrintPart"];
export type Shape = Schemas["Shape"];
export type Point = Schemas["PicturePlace"];
export type Negative = Schemas["PrintedNegative"];
export type Tables = Schemas["PreviewTables"];
export type Worked = Schemas["PrintWorked"];

const at = (id: string) => ({ params: { path: { id } } });

export const roomQuery = queryOptions({
  queryKey: ["prints"],
  queryFn: () => unwrap(api.GET("/api/prints")),
  ...readsOf("/api/prints"),
});

export const printQuery = (id: string) =>
  queryOptions({
    queryKey: ["prints", id],
    queryFn: () => unwrap(api.GET("/api/prints/{id}", at(id))) as Promise<PrintView>,
    ...readsOf("/api/prints/{id}"),
  });

/** What a print comes to as it would stand; nothing is kept. */
export const draw = (print: Print) =>
  unwrap(api.POST("/api/prints/draw", { body: print })) as Promise<Drawn>;

/** Tables from the levels of the picture to the greys of the print. */
export const preview = (print: Print): Promise<Tables> =>
  unwrap(api.POST("/api/prints/preview", { body: { ...print, note: "" } }));

/** The greys of one area for every amount it may be dragged to. */
export const areaSteps = (asked: { print: Print; area_id: string }) =>
  unwrap(api.POST("/api/prints/preview/area", { body: asked }));

/** What to give as the card moves. */
export const stripQuery = (strip: Schemas["StripRequest"]) =>
  queryOptions({
    queryKey: ["prints", "strip", strip],
    queryFn: () => unwrap(api.POST("/api/prints/strip", { body: strip })),
    retry: false,
    meta: { reads: [] as string[] },
  });

/** A print worked for another size, paper or negative; nothing is kept. */
export const reworkQuery = (print: Print, wanted: Schemas["Reworking"]) =>
  queryOptions({
    queryKey: ["prints", "rework", print.id, print.plan, wanted],
    queryFn: () => unwrap(api.POST("/api/prints/rework", { body: { print, wanted } })),
    retry: false,
    ...readsOf("/api/prints/rework"),
  });

export const putPrint = (print: Print, base: string) =>
  act("prints_put", { path: { id: print.id }, query: { base }, body: print });

export const deletePrint = (id: string) => act("prints_delete", { path: { id } });

export const keepStrip = (id: string, chosen: Schemas["StripChosen"]) =>
  act("prints_keep_strip", { path: { id }, body: chosen });

export const noteTry = (id: string, try_id: string, notes: TryNotes, base: string) =>
  act("prints_note", { path: { id, try_id }, query: { base }, body: notes });

export const printAgain = (id: string, try_id: string) =>
  act("prints_print_again", { path: { id }, body: { id: try_id, number: null, at: "" } });

export const useRework = (id: string, wanted: Schemas["Reworking"]) =>
  act("prints_use_reworked", { path: { id }, body: wanted });
