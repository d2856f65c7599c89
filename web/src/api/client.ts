import createClient from "openapi-fetch";
import { here } from "./here";
import { OWN } from "./own";
import type { components, paths } from "./schema";
import { transport } from "./transport";
import { noticing } from "./unread";

/** What is asked of the service; what is done goes by `acts`. */
export const api = createClient<paths>({
  baseUrl: here(""),
  headers: OWN,
  fetch: async (request) => noticing(await transport(request)),
});

export type Schemas = components["schemas"];

/** A refusal in the one error shape: a sentence, and the field it belongs to. */
export class Refusal extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly field: string | null = null,
    /** of a conflict: what is kept now, and its version; both empty when it is gone */
    readonly stored: unknown = null,
    readonly version: string | null = null,
    /** what may be chosen instead, or the range */
    readonly allowed: unknown[] | null = null,
  ) {
    super(message);
  }
}

/** The server did not answer at all; whatever was typed is still on the page. */
export const isAway = (problem: unknown) => problem instanceof Refusal && problem.code === "away";

/** What a failed call says: no answer, or that it was given up. */
export function unheard(problem: unknown): unknown {
  if (problem instanceof DOMException && problem.name === "AbortError") return problem;
  return new Refusal("away", "Emulsa is not responding. Nothing you typed is lost; try again.");
}

/** The refusal in an answer that is none. */
export function refusal(error: unknown, status: number): Refusal {
  const said = (error as { error?: Partial<Refusal> } | null | undefined)?.error;
  return new Refusal(
    said?.code ?? "http",
    said?.message ?? `The request failed (${status}). Try again.`,
    said?.field ?? null,
    said?.stored ?? null,
    said?.version ?? null,
    said?.allowed ?? null,
  );
}

/** The data of an answer, or a Refusal to throw. */
export async function unwrap<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let answer: { data?: T; error?: unknown; response: Response };
  try {
    answer = await call;
  } catch (problem) {
    throw unheard(problem);
  }
  if (answer.response.ok) return answer.data as T;
  throw refusal(answer.error, answer.response.status);
}

/** A fresh id, made here so that a write handed in twice is one write. */
export const newId = () => crypto.randomUUID() as string;
