import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

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
  "recipe_id",
  "ei",
  "showed",
  "day_from",
  "day_to",
] as const;
export type Sought = Partial<Record<(typeof FILTERS)[number], string>>;

/** Every outing as a word to choose. */
export const outingNamesQuery = question("outings_names");

const PAGE = 100;

/** Every index something was exposed at. */
export const indicesQuery = question("log_indices");

const asked = ({ n, ei, ...rest }: Sought) => ({
  ...rest,
  ...(n ? { n: Number(n) } : {}),
  ...(ei ? { ei: Number(ei) } : {}),
});

/** The log, newest first, a page at a time; the last answer stays while the next is asked for. */
export const logQuery = (sought: Sought) =>
  infiniteQueryOptions({
    queryKey: ["log_read", { sought }] as const,
    queryFn: ({ pageParam }: { pageParam: number | null }) => {
      const query = {
        ...asked(sought),
        ...(pageParam === null ? {} : { before: pageParam }),
        limit: PAGE,
      };
      return ask("log_read", { query });
    },
    initialPageParam: null as number | null,
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });

/** What is looked for, seen from afar; the last answer stays while the next is asked for. */
export const shapeQuery = (sought: Sought) =>
  queryOptions({
    ...question("log_read_shape", { query: asked(sought) }),
    placeholderData: (before: Schemas["LogShape"] | undefined) => before,
  });

export const storyQuery = (id: string) => question("log_story", { path: { id } });

/** In which side a sheet lay that was exposed without a holder. */
export const nameHolder = (piece_id: string, side: string) =>
  act("pieces_name_holder", { path: { id: piece_id }, body: { side } });

export const attach = (id: string, exposureId: string, file: File) =>
  act("attachments_attach", {
    path: { id },
    query: { exposure_id: exposureId, name: file.name },
    body: file,
  });

/** How a scan was made. */
export const describeScan = (id: string, scanned: Schemas["Scanned"], base: string) =>
  act("attachments_scanned", { path: { id }, query: { base }, body: scanned });

export const takeOff = (id: string) => act("attachments_delete", { path: { id } });

export const handInCsv = (file: File) => act("exchange_hand_in_csv", { body: file });

export const readCsv = (
  id: string,
  mapping: Record<string, string>,
  { write, partly }: { write: boolean; partly: boolean },
) => act("exchange_read_csv", { body: { id, mapping, write, partly } });

export const writeArchive = () => act("archives_write", {});

export const mergeArchive = (file: File) => act("archives_merge", { body: file });

/** Which story each piece of film keeps that has two. */
export const decideArchive = (id: string, decided: Record<string, "here" | "there">) =>
  act("archives_decide", { body: { id, decided } });

const underWay = (job: Job | undefined) => job?.state === "running" || job?.state === "waiting";

export const stopJob = (id: string) => ask("exchange_stop", { path: { id } });

/** A job, asked for again and again while it runs. */
export const jobQuery = (id: string) =>
  queryOptions({
    ...question("exchange_job", { path: { id } }),
    refetchInterval: (query) => (underWay(query.state.data) ? 300 : false),
  });
