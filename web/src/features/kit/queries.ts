import { api, type Schemas, unwrap } from "../../api/client";
import type { Kind } from "./fields";

/** Keep a record of any kind; the server knows each kind's rules. */
export const putRecord = (kind: Kind, record: { id: string }, base: string | undefined) =>
  unwrap(
    api.PUT(`/api/kit/${kind}/{id}`, {
      params: { path: { id: record.id }, query: base ? { base } : {} },
      body: record as never,
    }),
  );

export const deleteRecord = (kind: Kind, id: string) =>
  unwrap(api.DELETE(`/api/kit/${kind}/{id}`, { params: { path: { id } } }));

/** Times of a law as it is being typed. */
export const correctedBy = (law: NonNullable<Schemas["Film"]["law"]>, metered_s: number[]) =>
  unwrap(api.POST("/api/compute/reciprocity", { body: { law, metered_s, clock_s: null } }));

export const pinholeFacts = (body: Schemas["PinholeRequest"]) =>
  unwrap(api.POST("/api/compute/pinhole", { body }));

export const testShutter = (shutter: Schemas["Shutter"]) =>
  unwrap(api.POST("/api/devices/shutter-tester/measure", { body: shutter }));

export const putPreferences = (preferences: Schemas["Preferences"], base: string) =>
  unwrap(api.PUT("/api/preferences", { params: { query: { base } }, body: preferences }));

/** What a pasted data sheet says; nothing is kept. */
export const readSheet = (text: string) =>
  unwrap(api.POST("/api/kit/data-sheet", { body: { text } })) as Promise<Schemas["DataSheet"]>;

export const addRecipes = (recipes: Schemas["FilmRecipe"][]) =>
  unwrap(api.POST("/api/kit/recipes", { body: { recipes } }));
