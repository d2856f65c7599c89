import { QueryClient } from "@tanstack/react-query";
import { teach } from "./acts";
import { keepPending } from "./pending";

/** The page's memory of what it asked, and its hands. The service may be on this very machine: no
    network is no reason not to ask it. */
export function makeClient(): QueryClient {
  const client = new QueryClient({
    defaultOptions: {
      queries: { staleTime: 2_000, retry: 1, refetchOnWindowFocus: true, networkMode: "always" },
    },
  });
  teach(client);
  keepPending(client);
  return client;
}
