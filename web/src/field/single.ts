import { here } from "../api/here";
import type { Answered, Asked } from "./protocol";
import { answering, idling, type Python, withMemory } from "./runtime";

/* Everything in one page that is opened from a file: the runtime and a copy of the log lie in it,
   gzipped; it has no address, keeps nothing, and asks nobody. */

export const SINGLE = import.meta.env.MODE === "single";

let opened: Promise<(asked: Asked) => Answered> | null = null;

/** What the page itself answers. */
export async function ask(request: Request, file?: Blob): Promise<Response> {
  opened ??= open();
  const { pathname, search } = new URL(request.url);
  const { status, headers, body } = (await opened)({
    method: request.method,
    target: `${pathname}${search}`,
    headers: Object.fromEntries(request.headers),
    body: new Uint8Array(await (file ?? request).arrayBuffer()),
  });
  return new Response(status === 204 || body.length === 0 ? null : body, { status, headers });
}

async function open(): Promise<(asked: Asked) => Answered> {
  const [runtime, asm, wasm, memory, library, ours, lock, log] = await Promise.all(
    [
      "pyodide.mjs",
      "pyodide.asm.mjs",
      "pyodide.asm.wasm",
      "memory.bin",
      "stdlib.zip",
      "emulsa.zip",
      "pyodide-lock.json",
      "log.sqlite3",
    ].map(part),
  );
  if (!runtime || !asm || !wasm || !memory || !library || !ours || !lock || !log)
    throw new Error("This file is not whole: make it again.");
  const { loadPyodide } = await import(/* @vite-ignore */ script(runtime));
  const { default: make } = await import(/* @vite-ignore */ script(asm));
  // the runtime asks for its machine code by an address; here it has none
  const fetched = window.fetch;
  window.fetch = async (asked, how) =>
    String(asked).endsWith(".wasm")
      ? new Response(wasm, { headers: { "content-type": "application/wasm" } })
      : fetched(asked, how);
  const python: Python = await loadPyodide({
    indexURL: `${here("")}/`,
    lockFileContents: new TextDecoder().decode(lock),
    stdLibURL: address(library, "application/zip"),
    _loadSnapshot: memory,
    createPyodideModule: withMemory(memory.length, make),
  });
  window.fetch = fetched;
  python.FS.writeFile("/lib/emulsa.zip", ours);
  python.FS.mkdirTree("/data");
  python.FS.writeFile("/data/emulsa.sqlite3", log);
  python.pyimport("importlib").invalidate_caches();
  const copy = python.pyimport("emulsa.field.worker").opened("/data");
  const answer = answering(python, copy);
  const wake = idling(async () => copy.go_on());
  return (asked) => {
    const answered = answer(asked);
    wake();
    return answered;
  };
}

/** A part of this file. */
async function part(name: string): Promise<Uint8Array<ArrayBuffer>> {
  const text = document.getElementById(name)?.textContent?.trim() ?? "";
  const small = Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
  const whole = new Blob([small]).stream().pipeThrough(new DecompressionStream("gzip"));
  return new Uint8Array(await new Response(whole).arrayBuffer());
}

const address = (content: Uint8Array<ArrayBuffer>, type: string) =>
  URL.createObjectURL(new Blob([content], { type }));
const script = (content: Uint8Array<ArrayBuffer>) => address(content, "text/javascript");
