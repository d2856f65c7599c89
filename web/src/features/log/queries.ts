import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

export type Line = Schemas["LogLine"];
export type Story = Schemas["Story"];
export type Job = Schemas["JobView"];
export type CsvFile = Schemas["CsvFile"];

/** What is looked for, as it stands in the address; empty means everything. */
export const FILTERS = [
  "text",
  "film_id",
  "lens_id",
  "pinhole_id",
  "filter_id",
  "n",
  "outing_id",
  "state",
  "day_from",
  "day_to",
] as const;
export type Sought = Partial<Record<(typeof FILTERS)[number], string>>;

/** Every outing as a word to choose. */
export const outingNamesQuery = queryOptions({
  queryKey: ["outings", "names"],
  queryFn: () => unwrap(api.GET("/api/outings/names")),
  ...readsOf("/api/outings/names"),
});

const PAGE = 100;

/** The log, newest first, a page at a time; the last answer stays while the next is asked for. */
export const logQuery = (sought: Sought) =>
  infiniteQueryOptions({
    queryKey: ["log", sought],
    queryFn: ({ pageParam, signal }) => {
      const { n, ...rest } = sought;
      const query = {
        ...rest,
        ...(n ? { n: Number(n) } : {}),
        ...(pageParam === null ? {} : { before: pageParam }),
        limit: PAGE,
      };
      return unwrap(api.GET("/api/log", { params: { query }, signal }));
    },
    initialPageParam: null as number | null,
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
    ...readsOf("/api/log"),
  });

const at = (id: string) => ({ params: { path: { id } } });

export const storyQuery = (id: string) =>
  queryOptions({
    queryKey: ["story", id],
    queryFn: () => unwrap(api.GET("/api/log/{id}", at(id))) as Promise<Story>,
    ...readsOf("/api/log/{id}"),
  });

/** In which side a sheet lay that was exposed without a holder. */
export const nameHolder = (piece_id: string, side: string) =>
  act("pieces_name_holder", { path: { id: piece_id }, body: { side } });

export const attach = (id: string, exposureId: string, file: File) =>
  act("attachments_attach", {
    path: { id },
    query: { exposure_id: exposureId, name: file.name },
    body: file,
  });

export const takeOff = (id: string) => act("attachments_delete", { path: { id } });

export const handInCsv = (file: File) => act("exchange_hand_in_csv", { body: file });

export const readCsv = (id: string, mapping: Record<string, string>, write: boolean) =>
  act("exchange_read_csv", { body: { id, mapping, write } });

export const writeArchive = () => act("archives_write", {});

export const mergeArchive = (file: File) => act("archives_merge", { body: file });

/** Which story each piece of film keeps that has two. */
export const decideArchive = (id: string, decided: Record<string, "here" | "there">) =>
  act("archives_decide", { body: { id, decided } });

const underWay = (job: Job | undefined) => job?.state === "running" || job?.state === "waiting";

export const stopJob = (id: string) => unwrap(api.DELETE("/api/exchange/jobs/{id}", at(id)));

/** A job, asked for again and again while it runs. */
export const jobQuery = (id: string) =>
  queryOptions({
    queryKey: ["job", id],
    queryFn: () => unwrap(api.GET("/api/exchange/jobs/{id}", at(id))),
    refetchInterval: (query) => (underWay(query.state.data) ? 300 : false),
    meta: { reads: [] },
  });
