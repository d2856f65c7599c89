import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, OWN, Refusal, type Schemas, unwrap } from "../../api/client";

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
  });

const at = (id: string) => ({ params: { path: { id } } });

export const storyQuery = (id: string) =>
  queryOptions({
    queryKey: ["story", id],
    queryFn: () => unwrap(api.GET("/api/log/{id}", at(id))) as Promise<Story>,
  });

/** Bytes in a request body, with how far they are: fetch cannot tell. */
export function send(
  method: "PUT" | "POST",
  path: string,
  file: Blob,
  progress: (share: number) => void,
): Promise<unknown> {
  return new Promise((done, failed) => {
    const request = new XMLHttpRequest();
    request.open(method, path);
    for (const [name, value] of Object.entries(OWN)) request.setRequestHeader(name, value);
    request.setRequestHeader("content-type", "application/octet-stream");
    request.upload.onprogress = (event) => progress(event.loaded / event.total);
    request.onerror = () =>
      failed(new Refusal("away", "Emulsa does not answer. Nothing is lost; try again."));
    request.onload = () => {
      const answer = parsed(request.responseText);
      if (request.status < 300) return done(answer);
      const said = (answer as { error?: Partial<Refusal> } | null)?.error;
      failed(
        new Refusal(
          said?.code ?? "http",
          said?.message ?? `The request failed (${request.status}). Try again.`,
          said?.field ?? null,
        ),
      );
    };
    request.send(file);
  });
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

export const attach = (
  id: string,
  exposureId: string,
  file: File,
  progress: (share: number) => void,
) => {
  const query = new URLSearchParams({ exposure_id: exposureId, name: file.name });
  return send("PUT", `/api/attachments/${id}?${query}`, file, progress);
};

export const takeOff = (id: string) => unwrap(api.DELETE("/api/attachments/{id}", at(id)));

export const handInCsv = (file: File, progress: (share: number) => void) =>
  send("POST", "/api/exchange/csv", file, progress) as Promise<CsvFile>;

export const readCsv = (id: string, mapping: Record<string, string>, write: boolean) =>
  unwrap(api.POST("/api/exchange/csv/read", { body: { id, mapping, write } }));

export const writeArchive = () => unwrap(api.POST("/api/exchange/archive"));

export const mergeArchive = (file: File, progress: (share: number) => void) =>
  send("POST", "/api/exchange/archive/merge", file, progress) as Promise<Job>;

export const stopJob = (id: string) => unwrap(api.DELETE("/api/exchange/jobs/{id}", at(id)));

/** A job, asked for again and again while it runs. */
export const jobQuery = (id: string) =>
  queryOptions({
    queryKey: ["job", id],
    queryFn: () => unwrap(api.GET("/api/exchange/jobs/{id}", at(id))),
    refetchInterval: (query) => (query.state.data?.state === "running" ? 300 : false),
  });
