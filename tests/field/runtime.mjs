/* What the browser's worker does, under Node: the built runtime, a log, requests as lines of JSON. */

import { readFileSync } from "node:fs";
import { createInterface } from "node:readline";
import { pathToFileURL } from "node:url";

const [built, database] = process.argv.slice(2);
const { build } = JSON.parse(readFileSync(`${built}/parts.json`, "utf8"));
const parts = `${built}/${build}/`;
const { loadPyodide } = await import(pathToFileURL(`${parts}pyodide.mjs`).href);
const { default: make } = await import(pathToFileURL(`${parts}pyodide.asm.mjs`).href);
const memory = readFileSync(`${parts}memory.bin`);
const python = await loadPyodide({
  indexURL: parts,
  stdLibURL: `${parts}stdlib.zip`,
  _loadSnapshot: memory,
  createPyodideModule: async (settings) => {
    const module = await make(settings);
    const more = memory.length - module._sbrk(0);
    if (more > 0) module._sbrk(more);
    return module;
  },
});
python.FS.writeFile("/lib/emulsa.zip", readFileSync(`${parts}emulsa.zip`));
python.FS.mkdirTree("/data");
python.pyimport("importlib").invalidate_caches();
const worker = python.pyimport("emulsa.field.worker");

/** A log laid under the runtime, as a new copy is. */
function opened(log) {
  for (const beside of ["", "-wal", "-shm", "-journal"])
    if (python.FS.analyzePath(`/data/emulsa.sqlite3${beside}`).exists)
      python.FS.unlink(`/data/emulsa.sqlite3${beside}`);
  python.FS.writeFile("/data/emulsa.sqlite3", readFileSync(log));
  return worker.opened("/data");
}

let awake = false;
/** Long work goes on between the lines. */
function goOn() {
  awake = copy.go_on();
  if (awake) setTimeout(goOn);
}

let copy = opened(database);
for await (const line of createInterface({ input: process.stdin })) {
  const { lay, method, target, headers, body } = JSON.parse(line);
  if (lay) {
    copy.destroy();
    copy = opened(lay);
  }
  const bytes = new Uint8Array(Buffer.from(body ?? "", "base64"));
  const answer = copy.ask(method ?? "GET", target ?? "/api/health", python.toPy(headers ?? {}), python.toPy(bytes));
  const [status, said, content] = answer.toJs({ dict_converter: Object.fromEntries });
  answer.destroy();
  if (!awake) setTimeout(goOn);
  awake = true;
  process.stdout.write(`${JSON.stringify([status, said, Buffer.from(content).toString("base64")])}\n`);
}
