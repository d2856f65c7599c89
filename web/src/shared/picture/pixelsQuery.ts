import { queryOptions } from "@tanstack/react-query";
import { here } from "../../api/here";
import type { Pixels } from "./pixels";
import type { Wanted } from "./pixels.worker";

interface Told {
  number: number;
  pixels: Pixels | null;
}

const waiting = new Map<number, (pixels: Pixels | null) => void>();
let worker: Worker | null = null;
let last = 0;

/** One worker for all pictures; it is begun by the first. */
function reading(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL("./pixels.worker.ts", import.meta.url), { type: "module" });
  worker.onmessage = ({ data }: MessageEvent<Told>) => {
    waiting.get(data.number)?.(data.pixels);
    waiting.delete(data.number);
  };
  // it could not be begun, or fell: who waits is told, the next who asks begins another
  worker.onerror = () => {
    worker?.terminate();
    worker = null;
    for (const each of waiting.values()) each(null);
    waiting.clear();
  };
  return worker;
}

/** A picture, counted. */
async function pixelsOf(id: string): Promise<Pixels> {
  const number = ++last;
  const addresses = ["view", "thumbnail"].map((size) => here(`/api/attachments/${id}/${size}`));
  const found = await new Promise<Pixels | null>((done) => {
    waiting.set(number, done);
    reading().postMessage({ number, addresses } satisfies Wanted);
  });
  if (!found) throw new Error("This picture’s file is not here; it may be at home.");
  return found;
}

export const pixelsQuery = (id: string) =>
  queryOptions({
    queryKey: ["pixels", id],
    queryFn: () => pixelsOf(id),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
