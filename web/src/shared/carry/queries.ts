import { queryOptions } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../../api/client";

export type Aside = Schemas["AsideView"];
type Decision = Schemas["Decision"];
/** How an exposure is logged when it cannot be as it was. */
export type Otherwise = Partial<Omit<Decision, "how">>;

/** What is carried, what waits to be handed in, what lies aside. */
export const carryQuery = queryOptions({
  queryKey: ["carry"],
  queryFn: () => unwrap(api.GET("/api/carry")),
  meta: { reads: ["*"] }, // every act is one more to hand in
});

export const decide = (id: string, how: Decision["how"], otherwise: Otherwise = {}) =>
  unwrap(
    api.POST("/api/carry/asides/{id}", {
      params: { path: { id } },
      body: { how, piece_id: null, unplaced: false, happened: false, ...otherwise },
    }),
  );
