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
