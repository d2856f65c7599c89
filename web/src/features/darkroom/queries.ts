import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../../api/client";

export type Scale = "C" | "F";
export type Group = Schemas["Group"];

/** What waits, with its times at a temperature; the last good answer stays while one is typed. */
export const darkroomQuery = (degrees: number, scale: Scale) =>
  queryOptions({
    queryKey: ["darkroom", degrees, scale],
    queryFn: () =>
      unwrap(
        api.GET("/api/darkroom", {
          params: {
            query: scale === "C" ? { temperature_c: degrees } : { temperature_f: degrees },
          },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

const at = (id: string) => ({ params: { path: { id } } });

export const beginRun = (body: Schemas["RunBeginning"]) =>
  unwrap(api.POST("/api/darkroom/runs", { body }));

export const courseOf = (id: string) => unwrap(api.GET("/api/darkroom/runs/{id}/course", at(id)));

export const runDeveloped = (id: string) =>
  unwrap(api.POST("/api/darkroom/runs/{id}/developed", at(id)));

export const putOff = (id: string) => unwrap(api.DELETE("/api/darkroom/runs/{id}", at(id)));
