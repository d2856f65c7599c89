import { DATA, handles, keepUnder, sizeOf, takeIn } from "./files";
import type { Answered, Asked, Reply, Said } from "./protocol";
import { answering, idling, type Python, withMemory } from "./runtime";

/* The carried copy: the same Python on the same store, in a worker of its own. It sleeps until it is
   asked. */

const files = handles();
interface Copy {
  answer(asked: Asked): Answered;
  goOn(): boolean;
}
let opened: Promise<Copy> | null = null;

/** The runtime with its memory as it was kept, and the log under it. */
async function open(build: string): Promise<Copy> {
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
  const copy = python.pyimport("emulsa.field.worker").opened(DATA);
  const answer = answering(python, copy);
  // what is answered or done is on the disk
  const settled = <T>(done: T) => {
    settle();
    return done;
  };
  settle();
  return { answer: (asked) => settled(answer(asked)), goOn: () => settled(copy.go_on()) };
}

// of the copy that is there: what another had begun is over with it
const wake = idling(async () => (await opened)?.goOn() ?? false);

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
  const answer = (await opened).answer(said.ask);
  wake();
  return { id, answer };
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
