// The client widens fixed pairs to arrays; the casts say again what the schema says.
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "./client";
import { readsOf } from "./reads";

/** The whole kit: every room chooses from it. */
export const kitQuery = queryOptions({
  queryKey: ["kit"],
  queryFn: () => unwrap(api.GET("/api/kit")) as Promise<Schemas["Kit"]>,
  ...readsOf("/api/kit"),
});

/** The holder board. */
export const holdersQuery = queryOptions({
  queryKey: ["holders"],
  queryFn: () => unwrap(api.GET("/api/holders")) as Promise<Schemas["HolderView"][]>,
  ...readsOf("/api/holders"),
});

/** Every roll, latest first. */
export const rollsQuery = queryOptions({
  queryKey: ["rolls"],
  queryFn: () => unwrap(api.GET("/api/rolls")),
  ...readsOf("/api/rolls"),
});

/** Sizes of sheets and frames. */
export const formatsQuery = queryOptions({
  queryKey: ["formats"],
  queryFn: () => unwrap(api.GET("/api/stock/formats")) as Promise<Schemas["Format"][]>,
  ...readsOf("/api/stock/formats"),
});

/** The latest outings with their scenes; more when asked. */
export const outingsQuery = (limit = 12) =>
  queryOptions({
    queryKey: ["outings", limit],
    queryFn: () => unwrap(api.GET("/api/outings", { params: { query: { limit } } })),
    placeholderData: keepPreviousData,
    ...readsOf("/api/outings"),
  });

/** How the photographer works, with the version a change is made on. */
export const wayQuery = queryOptions({
  queryKey: ["preferences"],
  queryFn: () => unwrap(api.GET("/api/preferences")),
  ...readsOf("/api/preferences"),
});

/** How the photographer works. */
export const preferencesQuery = queryOptions({
  ...wayQuery,
  select: (way) => way.preferences,
});

/** Whether the simulated devices are there: in the demo, and where they were turned on. */
export const devicesQuery = queryOptions({
  queryKey: ["devices"],
  queryFn: () => unwrap(api.GET("/api/devices")),
  ...readsOf("/api/devices"),
});

/** What each source key of a ledger stands for. */
export const sourcesQuery = queryOptions({
  queryKey: ["sources"],
  queryFn: () => unwrap(api.GET("/api/compute/sources")),
  staleTime: Number.POSITIVE_INFINITY,
  ...readsOf("/api/compute/sources"),
});
