import { queryOptions } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../api/client";
import { readsOf } from "../api/reads";

type Learned = Schemas["Learned"];

/** What the judged negatives of a recipe say, without those that are left out. */
export const learnedQuery = (recipe_id: string, without: string[]) =>
  queryOptions({
    queryKey: ["bench", "learned", recipe_id, without],
    queryFn: () =>
      unwrap(
        api.POST("/api/bench/learned/{id}", {
          params: { path: { id: recipe_id } },
          body: { without },
        }),
      ) as Promise<Learned>,
    ...readsOf("/api/bench/learned/{id}"),
  });
