import { DATA, handles, keepUnder, sizeOf, takeIn } from "./files";
import type { Answered, Asked, Reply, Said } from "./protocol";
import { answering, type Python, withMemory } from "./runtime";

/* The carried copy: the same Python on the same store, in a worker of its own. It sleeps until it is
   asked. */

const files = handles();
let opened: Promise<(asked: Asked) => Answered> | null = null;

/** The runtime with its memory as it was kept, and the log under it. */
async function open(build: string): Promise<(asked: Asked) => Answered> {
  const parts = `${location.origin}/field/${build}/`;
  const part = async (name: string) =>
    new Uint8Array(await (await fetch(`${parts}${name}`)).arrayBuffer());
  const [{ loadPyodide }, { default: make }, memory, ours, held] = await Promise.all([
    import(/* @vite-ignore */ `${parts}pyodide.mjs`),
    import(/* @vite-ignore */ `${parts}pyodide.asm.mjs`),
    part("memory.bin"),
    part("emulsa.zip"),
    files,
  ]);
  const python: Python = await loadPyodide({
    indexURL: parts,
    stdLibURL: `${parts}stdlib.zip`,
    _loadSnapshot: memory,
    createPyodideModule: withMemory(memory.length, make),
  });
  python.FS.writeFile("/lib/emulsa.zip", ours);
  const settle = keepUnder(python.FS, held);
  python.pyimport("importlib").invalidate_caches(); // other archives than when the memory was kept
  const answer = answering(python, python.pyimport("emulsa.field.worker").opened(DATA));
  settle();
  return (asked) => {
    const answered = answer(asked);
    settle(); // what is answered is on the disk
    return answered;
  };
}

async function reply(said: Said): Promise<Reply> {
  const { id } = said;
  if ("size" in said) return { id, done: sizeOf(await files) };
  if ("take" in said) {
    takeIn(await files, said.take);
    opened = null;
    return { id, done: said.take.byteLength };
  }
  // a log that was evicted is not begun anew in silence
  if (!opened && sizeOf(await files) === 0) return { id, gone: true };
  opened ??= open(said.build);
  return { id, answer: (await opened)(said.ask) };
}

// one after the other: there is one thread, and one log
let queue = Promise.resolve();
addEventListener("message", ({ data }: MessageEvent<Said>) => {
  queue = queue.then(async () => {
    let answer: Reply;
    try {
      answer = await reply(data);
    } catch (problem) {
      answer = { id: data.id, fault: (problem as Error).message.slice(-400) };
    }
    postMessage(answer, "answer" in answer ? { transfer: [answer.answer.body.buffer] } : {});
  });
});
