import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, unwrap } from "../../api/client";

export type Scale = "C" | "F";

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
