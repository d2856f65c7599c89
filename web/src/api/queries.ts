// The client widens fixed pairs to arrays; the casts say again what the schema says.
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "./client";

/** The whole kit: every room chooses from it. */
export const kitQuery = queryOptions({
  queryKey: ["kit"],
  queryFn: () => unwrap(api.GET("/api/kit")) as Promise<Schemas["Kit"]>,
});

/** The holder board. */
export const holdersQuery = queryOptions({
  queryKey: ["holders"],
  queryFn: () => unwrap(api.GET("/api/holders")) as Promise<Schemas["HolderView"][]>,
});

/** Film that can be exposed now: sides and the frames in the gates. */
export const readyQuery = queryOptions({
  queryKey: ["ready"],
  queryFn: () => unwrap(api.GET("/api/pieces/ready")),
});

/** Every roll, latest first. */
export const rollsQuery = queryOptions({
  queryKey: ["rolls"],
  queryFn: () => unwrap(api.GET("/api/rolls")),
});

/** Sizes of sheets and frames. */
export const formatsQuery = queryOptions({
  queryKey: ["formats"],
  queryFn: () => unwrap(api.GET("/api/stock/formats")) as Promise<Schemas["Format"][]>,
});

/** The latest outings with their scenes; more when asked. */
export const outingsQuery = (limit = 12) =>
  queryOptions({
    queryKey: ["outings", limit],
    queryFn: () => unwrap(api.GET("/api/outings", { params: { query: { limit } } })),
    placeholderData: keepPreviousData,
  });

/** How the photographer works, with the version a change is made on. */
export const wayQuery = queryOptions({
  queryKey: ["preferences"],
  queryFn: () => unwrap(api.GET("/api/preferences")),
});

/** How the photographer works. */
export const preferencesQuery = queryOptions({
  ...wayQuery,
  select: (way) => way.preferences,
});
