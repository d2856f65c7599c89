import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { KIT_DROPS, KIT_KEEPS } from "../../service/service";
import type { Kind } from "./fields";

/** Keep a record of any kind; the server knows each kind's rules. */
export const putRecord = (kind: Kind, record: { id: string }, base: string) =>
  act(KIT_KEEPS[kind], { path: { id: record.id }, query: { base }, body: record as never });

export const deleteRecord = (kind: Kind, id: string) => act(KIT_DROPS[kind], { path: { id } });

export const putPreferences = (preferences: Schemas["Preferences"], base: string) =>
  act("preferences_put", { query: { base }, body: preferences });

/** What a pasted data sheet says; nothing is kept. */
export const readSheet = (text: string) => ask("kit_read_sheet", { body: { text } });

export const addRecipes = (recipes: Schemas["FilmRecipe"][]) =>
  act("kit_add_recipes", { body: { recipes } });

export type Pairing = Schemas["PairingView"];

/** The devices that are paired, and the code for the next; looked at anew, since codes grow old. */
export const pairingQuery = queryOptions({
  ...question("pairing_read"),
  refetchInterval: (query) => (query.state.data?.active ? 5_000 : false),
});

export const newCode = () => ask("pairing_new_code");

export const turnOut = (id: string) => ask("pairing_turn_out", { path: { id } });

/** Each record's small drawing, by its id. */
export const drawnQuery = question("kit_read_drawn");
