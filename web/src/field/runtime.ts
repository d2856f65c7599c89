import type { FileSystem } from "./files";
import type { Answered, Asked } from "./protocol";

/* The runtime as it is used here, whether in a worker or in a page that is one file. */

interface Proxy {
  toJs(options: { dict_converter: typeof Object.fromEntries }): unknown;
  destroy(): void;
}
/** A copy of the log as Python holds it. */
export interface Held {
  ask(method: string, target: string, headers: unknown, body: unknown): Proxy;
  /** a slice of the long work that was begun; whether there is more */
  go_on(): boolean;
}

export interface Python {
  FS: FileSystem & { writeFile(path: string, content: Uint8Array): void };
  pyimport(name: "emulsa.field.worker"): { opened(folder: string): Held };
  pyimport(name: "importlib"): { invalidate_caches(): void };
  toPy(value: unknown): unknown;
}

interface Module {
  _sbrk(bytes: number): number;
}

/** Makes the runtime's module with room for the memory that was kept, which may be larger than the
    one it begins with. */
export const withMemory =
  (bytes: number, make: (settings: unknown) => Promise<Module>) => async (settings: unknown) => {
    const module = await make(settings);
    const more = bytes - module._sbrk(0);
    if (more > 0) module._sbrk(more);
    return module;
  };

/** What is asked and answered, from plain values to plain values. */
export const answering =
  (python: Python, held: Held) =>
  ({ method, target, headers, body }: Asked): Answered => {
    const answer = held.ask(method, target, python.toPy(headers), python.toPy(body));
    const [status, said, content] = answer.toJs({ dict_converter: Object.fromEntries }) as [
      number,
      Record<string, string>,
      Uint8Array<ArrayBuffer>,
    ];
    answer.destroy();
    return { status, headers: said, body: content };
  };

/** Long work goes on in slices: whoever asks meanwhile is answered between two of them. Woken when
    there may be some, it sleeps when there is none. */
export function idling(slice: () => Promise<boolean>): () => void {
  let awake = false;
  const go = async () => {
    awake = await slice().catch(() => false);
    if (awake) setTimeout(go);
  };
  return () => {
    if (awake) return;
    awake = true;
    setTimeout(go);
  };
}
