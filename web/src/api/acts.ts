import { MutationObserver, type QueryClient } from "@tanstack/react-query";
import { CALLS } from "../service/service";
import { type ActName, type Answer, type Asked, call, type Sent } from "./calls";
import { newId } from "./newId";
import { refresh } from "./reads";
import { isAway, type Refusal } from "./refusal";
import type { Progress } from "./transport";

/* An act is a name and what is asked, never a closure: so it can be kept while it is under way, sent
   again and done exactly once, by its own id, whatever happens to the page meanwhile. */

/** Something done: its name, its own id, the moment, and what is asked. */
export interface Act<N extends ActName = ActName> extends Sent {
  name: N;
  key: string;
  moment: string;
}

export const act = <N extends ActName>(name: N, asked: Asked<N>): Act<N> => ({
  name,
  key: newId(),
  moment: new Date().toISOString(),
  ...(asked as Sent),
});

interface Done {
  answer: unknown;
  touched: string[];
}

/* How far files are, by the acts they go out with: nothing that could be kept. */
const watched = new Map<string, Progress>();

async function done(act: Act): Promise<Done> {
  const headers = { "idempotency-key": act.key, "x-emulsa-moment": act.moment };
  const progress = watched.get(act.key);
  const { answer, said } = await call(act.name, act, {
    headers,
    ...(progress ? { progress } : {}),
  });
  return { answer, touched: said.get("x-emulsa-touched")?.split(" ") ?? [] };
}

const AGAIN_MS = [300, 900];

/** Teach a client every act by its name: one after the other, sent again when nobody answered. */
export function teach(client: QueryClient) {
  for (const name of Object.keys(CALLS)) {
    client.setMutationDefaults([name], {
      mutationFn: (asked) => done(asked as unknown as Act),
      scope: { id: "acts" },
      networkMode: "always",
      retry: (failures, problem) => failures < AGAIN_MS.length && isAway(problem),
      retryDelay: (failures) => AGAIN_MS[failures] ?? 0,
    });
  }
}

/* Acts nobody answered: asked for again, they are the same acts, which may have been done. */
const unanswered = new Map<string, Act>();
const print = ({ name, path, query, body }: Act) => JSON.stringify([name, path, query, body]);

/**
 * Do it; what it touched is read anew. The answer comes as soon as it is done; `fresh` when everything
 * that is shown is true again. Throws a Refusal.
 */
export async function carryOut<N extends ActName>(
  client: QueryClient,
  asked: Act<N>,
  progress?: Progress,
): Promise<{ answer: Answer<N>; fresh: Promise<void> }> {
  const known = unanswered.get(print(asked));
  const same = known ?? asked;
  if (progress) watched.set(same.key, progress);
  try {
    const observer = new MutationObserver<Done, Refusal, Act>(client, { mutationKey: [same.name] });
    const { answer, touched } = await observer.mutate(same);
    unanswered.delete(print(asked));
    return { answer: answer as Answer<N>, fresh: refresh(client, touched) };
  } catch (problem) {
    if (isAway(problem)) unanswered.set(print(asked), same);
    else unanswered.delete(print(asked));
    throw problem;
  } finally {
    watched.delete(same.key);
  }
}
