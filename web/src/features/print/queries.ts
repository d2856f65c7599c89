import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { typedNumber } from "../../components/typedNumber";

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

export const roomQuery = question("prints_read");

export const printQuery = (id: string) => question("prints_read_print", { path: { id } });

/** What a print comes to as it would stand; nothing is kept. */
export const draw = (print: Print) => ask("prints_draw", { body: print });

/** Tables from the levels of the picture to the greys of the print. */
export const preview = (print: Print): Promise<Tables> =>
  ask("prints_see", { body: { ...print, note: "" } });

/** The greys of one area for every amount it may be dragged to. */
export const areaSteps = (asked: { print: Print; area_id: string }) =>
  ask("prints_see_area", { body: asked });

/** What to give as the card moves. */
export const flashQuery = (last_white_s: string, first_grey_s: string) => ({
  ...question("prints_flash", {
    body: {
      last_white_s: typedNumber(last_white_s),
      first_grey_s: typedNumber(first_grey_s),
    },
  }),
  retry: false,
});

export const stripQuery = (strip: Schemas["StripRequest"]) =>
  queryOptions({ ...question("prints_strip", { body: strip }), retry: false });

/** A print worked for another size, paper or negative; nothing is kept. */
export const reworkQuery = (print: Print, wanted: Schemas["Reworking"]) =>
  queryOptions({ ...question("prints_reworked", { body: { print, wanted } }), retry: false });

export const beginPrint = (id: string, exposure_id: string, from_scan: boolean) =>
  act("prints_begin", { body: { id, exposure_id, from_scan } });

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
