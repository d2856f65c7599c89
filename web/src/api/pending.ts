import { dehydrate, hydrate, type QueryClient } from "@tanstack/react-query";
import type { Act } from "./acts";
import { keptOutside } from "./kept";
import { refresh } from "./reads";

/* Acts that are under way, kept outside the page by name and variables: a page that was closed or
   reloaded meanwhile hands them in again, under their own ids, and each is done once. */

type Kept = Record<string, ReturnType<typeof dehydrate>["mutations"][number]>;

const kept = keptOutside<Kept>("emulsa-acts");
const troubles = keptOutside<string>("emulsa-acts-refused");

/** What came of an act that was handed in again and refused; null puts it away. */
export const useTrouble = troubles.use;
export const putTroubleAway = () => troubles.keep(null);

/** Keep what is under way, and hand in what was left by a page that is gone. */
export function keepPending(client: QueryClient) {
  const left = Object.values(kept.read() ?? {});
  hydrate(client, { mutations: left, queries: [] });
  client.getMutationCache().subscribe(({ mutation }) => {
    const act = mutation?.state.variables as Act | undefined;
    if (!mutation || !act?.key || act.body instanceof Blob) return;
    const { [act.key]: known, ...others } = kept.read() ?? {};
    if (mutation.state.status !== "pending") {
      if (known) kept.keep(Object.keys(others).length ? others : null);
    } else if (!known) {
      const [own] = dehydrate(client, {
        shouldDehydrateQuery: () => false,
        shouldDehydrateMutation: (each) => each === mutation,
      }).mutations;
      // paused, as a page finds it that goes on with it
      if (own)
        kept.keep({ ...others, [act.key]: { ...own, state: { ...own.state, isPaused: true } } });
    }
  });
  for (const mutation of client.getMutationCache().getAll()) {
    const act = mutation.state.variables as Act;
    mutation
      .continue()
      .then((done) => refresh(client, (done as { touched: string[] }).touched))
      .catch((problem: Error) => troubles.keep(`${said(act)}: ${problem.message}`))
      .finally(() => forget(act.key));
  }
}

function forget(key: string) {
  const { [key]: _, ...others } = kept.read() ?? {};
  kept.keep(Object.keys(others).length ? others : null);
}

const said = (act: Act) => act.name.replaceAll("_", " ");
