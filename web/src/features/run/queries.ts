import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

const at = (id: string) => ({ params: { path: { id } } });

export const keepWent = (id: string, went: Schemas["Went"]) =>
  act("runs_keep_course", { path: { id }, body: went });

export const developed = (id: string) => act("runs_developed", { path: { id } });

export const retime = (id: string, body: Schemas["Retiming"]) =>
  unwrap(api.POST("/api/darkroom/runs/{id}/retime", { ...at(id), body }));

export const readThermometer = (began_c: number, minute: number) =>
  unwrap(api.GET("/api/devices/thermometer", { params: { query: { began_c, minute } } }));

/** When one pair of hands can begin a run beside others that go. */
export const besideQuery = (id: string, others: Schemas["Going"][], moment: number) =>
  queryOptions({
    queryKey: ["beside", id, others.length, moment],
    queryFn: () =>
      unwrap(api.POST("/api/darkroom/runs/{id}/beside", { ...at(id), body: { others } })),
    enabled: others.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
    ...readsOf("/api/darkroom/runs/{id}/beside"),
  });
