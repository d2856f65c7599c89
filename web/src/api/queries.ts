// The client widens fixed pairs to arrays; the casts say again what the schema says.
import { queryOptions } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "./client";

/** The whole kit: every room chooses from it. */
export const kitQuery = queryOptions({
  queryKey: ["kit"],
  queryFn: () => unwrap(api.GET("/api/kit")) as Promise<Schemas["Kit"]>,
});

/** The holder board: scenes offer its loaded sides. */
export const holdersQuery = queryOptions({
  queryKey: ["holders"],
  queryFn: () => unwrap(api.GET("/api/holders")) as Promise<Schemas["HolderView"][]>,
});

/** Every outing with its scenes. */
export const outingsQuery = queryOptions({
  queryKey: ["outings"],
  queryFn: () => unwrap(api.GET("/api/outings")),
});

/** How the photographer works. */
export const preferencesQuery = queryOptions({
  queryKey: ["preferences"],
  queryFn: () => unwrap(api.GET("/api/preferences")),
});
