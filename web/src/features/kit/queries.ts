import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";
import type { Kind } from "./fields";

/* A kind of kit record by its list: what keeps and what deletes one of them. */
const KEEPS = {
  films: ["kit_put_film", "kit_delete_film"],
  recipes: ["kit_put_recipe", "kit_delete_recipe"],
  cameras: ["kit_put_camera", "kit_delete_camera"],
  lenses: ["kit_put_lens", "kit_delete_lens"],
  pinholes: ["kit_put_pinhole", "kit_delete_pinhole"],
  filters: ["kit_put_filter", "kit_delete_filter"],
  meters: ["kit_put_meter", "kit_delete_meter"],
  formats: ["kit_put_sheet_format", "kit_delete_sheet_format"],
  tanks: ["kit_put_tank", "kit_delete_tank"],
  lines: ["kit_put_line", "kit_delete_line"],
  bottles: ["kit_put_bottle", "kit_delete_bottle"],
  powders: ["kit_put_powder", "kit_delete_powder"],
  papers: ["kit_put_printing_paper", "kit_delete_printing_paper"],
  enlargers: ["kit_put_enlarger", "kit_delete_enlarger"],
} as const satisfies Record<Kind, readonly [string, string]>;

/** Keep a record of any kind; the server knows each kind's rules. */
export const putRecord = (kind: Kind, record: { id: string }, base: string) =>
  act(KEEPS[kind][0], { path: { id: record.id }, query: { base }, body: record as never });

export const deleteRecord = (kind: Kind, id: string) => act(KEEPS[kind][1], { path: { id } });

/** Times of a law as it is being typed. */
export const correctedBy = (law: NonNullable<Schemas["Film"]["law"]>, metered_s: number[]) =>
  unwrap(api.POST("/api/compute/reciprocity", { body: { law, metered_s, clock_s: null } }));

/** A recipe's minutes for an N, as it is being typed. */
export const developedFor = (recipe: Schemas["Recipe"], n: number) =>
  unwrap(
    api.POST("/api/compute/development", {
      body: { recipe, n, reason: "drawn" } as Schemas["DevelopmentRequest"],
    }),
  );

/** The same light through a lens at each of its marks. */
export const exposedAt = (optics: Schemas["Lens"]) =>
  unwrap(
    api.POST("/api/compute/exposure", {
      body: {
        ei: 100,
        readings: [{ id: "light", reading: { kind: "ev", ev: 12 } }],
        placement: { school: "as_metered", reading: "light" },
        optics,
        law: { kind: "none", until_s: 100 },
        aperture: optics.widest ?? null,
      } as unknown as Schemas["ExposureRequest"],
    }),
  ) as Promise<Schemas["ExposureAnswer"]>;

export const pinholeFacts = (body: Schemas["PinholeRequest"]) =>
  unwrap(api.POST("/api/compute/pinhole", { body }));

export const putPreferences = (preferences: Schemas["Preferences"], base: string) =>
  act("preferences_put", { query: { base }, body: preferences });

/** What a pasted data sheet says; nothing is kept. */
export const readSheet = (text: string) =>
  unwrap(api.POST("/api/kit/data-sheet", { body: { text } })) as Promise<Schemas["DataSheet"]>;

export const addStarter = (key: string, id: string) =>
  act("kit_add_starter", { path: { key }, body: { id } });

export const addRecipes = (recipes: Schemas["FilmRecipe"][]) =>
  act("kit_add_recipes", { body: { recipes } });

export type Pairing = Schemas["PairingView"];

/** The devices that are paired, and the code for the next; looked at anew, since codes grow old. */
export const pairingQuery = queryOptions({
  queryKey: ["pairing"],
  queryFn: () => unwrap(api.GET("/api/pairing")),
  refetchInterval: (query) => (query.state.data?.active ? 5_000 : false),
  ...readsOf("/api/pairing"),
});

export const newCode = () => unwrap(api.POST("/api/pairing/code"));

export const turnOut = (id: string) =>
  unwrap(api.DELETE("/api/pairing/devices/{id}", { params: { path: { id } } }));
