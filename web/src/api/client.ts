import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

/** The header every change needs: a page from elsewhere cannot send it. */
export const OWN = { "x-emulsa": "1" };

export const api = createClient<paths>({ baseUrl: "", headers: OWN });

export type Schemas = components["schemas"];

/** A refusal in the one error shape: a sentence, and the field it belongs to. */
export class Refusal extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly field: string | null = null,
    /** of a conflict: what is kept now, and its version */
    readonly stored: unknown = null,
    readonly version: string | null = null,
  ) {
    super(message);
  }
}

/** The server did not answer at all; whatever was typed is still on the page. */
export const isAway = (problem: unknown) => problem instanceof Refusal && problem.code === "away";

/** The data of an answer, or a Refusal to throw. */
export async function unwrap<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let answer: { data?: T; error?: unknown; response: Response };
  try {
    answer = await call;
  } catch (problem) {
    if (problem instanceof DOMException && problem.name === "AbortError") throw problem;
    throw new Refusal("away", "Emulsa does not answer. Nothing you typed is lost; try again.");
  }
  if (answer.response.ok) return answer.data as T;
  const said = (answer.error as { error?: Partial<Refusal> } | undefined)?.error;
  throw new Refusal(
    said?.code ?? "http",
    said?.message ?? `The request failed (${answer.response.status}). Try again.`,
    said?.field ?? null,
    said?.stored ?? null,
    said?.version ?? null,
  );
}

/** A fresh id, made here so that a write handed in twice is one write. */
export const newId = () => crypto.randomUUID();
