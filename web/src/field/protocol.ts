/* What page and worker say to each other. */

export interface Asked {
  method: string;
  target: string;
  headers: Record<string, string>;
  body: Uint8Array;
}

export interface Answered {
  status: number;
  headers: Record<string, string>;
  body: Uint8Array<ArrayBuffer>;
}

/** To the worker: take a new copy in, or answer a request. `build` says which runtime. */
export type Said = { id: number } & (
  | { take: ArrayBuffer }
  | { ask: Asked; build: string }
  | { size: true }
);

/** From the worker; `gone`: there is no log under it any more; `fault` is one of the runtime's, after
    which it is begun anew. */
export type Reply = { id: number } & (
  | { answer: Answered }
  | { done: number }
  | { gone: true }
  | { fault: string }
);
