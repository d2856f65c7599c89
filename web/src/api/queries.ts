// The client widens fixed pairs to arrays; the casts say again what the schema says.
import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { question } from "./ask";

/** The whole kit: every room chooses from it. */
export const kitQuery = question("kit_read");

/** The holder board. */
export const holdersQuery = question("holders_read");

/** Every roll, latest first. */
export const rollsQuery = question("rolls_read");

/** Sizes of sheets and frames. */
export const formatsQuery = question("stock_formats");

/** The latest outings with their scenes; more when asked. */
export const outingsQuery = (limit = 12) =>
  queryOptions({
    ...question("outings_read", { query: { limit } }),
    placeholderData: keepPreviousData,
  });

/** How the photographer works, with the version a change is made on. */
export const wayQuery = question("preferences_read");

/** How the photographer works. */
export const preferencesQuery = queryOptions({
  ...wayQuery,
  select: (way) => way.preferences,
});

/** Whether the simulated devices are there: in the demo, and where they were turned on. */
export const devicesQuery = question("devices_connected");

/** What each source key of a ledger stands for. */
export const sourcesQuery = queryOptions({
  ...question("compute_sources"),
  staleTime: Number.POSITIVE_INFINITY,
});

/** Film that can be exposed now: sides and the frames in the gates. */
export const readyQuery = question("pieces_ready");
