/* Builds what the carried copy runs on, out of the package pinned in package.json: Python's own
   library and ours as bytecode, and the memory of an application that is already loaded; what is in
   that memory is not sent a second time. Nothing of it is fetched from elsewhere when it runs. Every file is named by what it holds; brotli lies beside each. */

import { createHash } from "node:crypto";
import { mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import { brotliCompress, constants } from "node:zlib";
import { loadPyodide } from "pyodide";

const here = dirname(fileURLToPath(import.meta.url));
const runtime = dirname(createRequire(import.meta.url).resolve("pyodide/pyodide.mjs"));
const source = join(here, "../../src");
const target = join(source, "emulsa/field/built");
const work = join(here, "../node_modules/.field");

for (const folder of [work, target]) {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
}

/* 1. Bytecode by the very Python that will run it. */
const compiler = await loadPyodide({ indexURL: runtime });
compiler.mountNodeFS("/runtime", runtime);
compiler.mountNodeFS("/source", source);
compiler.mountNodeFS("/work", work);
await compiler.runPythonAsync(readFileSync(join(here, "bytecode.py"), "utf8"));

/* 2. Loaded once, here; what is in the memory then is what every start begins with. */
const python = await loadPyodide({
  indexURL: runtime,
  stdLibURL: join(work, "stdlib.zip"),
  _makeSnapshot: true,
});
const ours = readFileSync(join(work, "emulsa.zip"));
python.FS.writeFile("/lib/emulsa.zip", ours);
await python.runPythonAsync(readFileSync(join(here, "warm.py"), "utf8"));
python.FS.mkdirTree("/left");
await python.runPythonAsync(readFileSync(join(here, "left.py"), "utf8"));
for (const name of ["stdlib.zip", "emulsa.zip"])
  writeFileSync(join(work, `left-${name}`), python.FS.readFile(`/left/${name}`));
await python.runPythonAsync("import shutil; shutil.rmtree('/left'); del shutil");
writeFileSync(join(work, "memory.bin"), python.makeMemorySnapshot());
// drawn scenes go along as they are, and into no memory
await compiler.runPythonAsync(`
with zipfile.ZipFile("/work/left-emulsa.zip", "a", zipfile.ZIP_STORED) as left:
    for path in sorted((root / "emulsa/scenery").iterdir()):
        left.writestr(zipfile.ZipInfo(path.relative_to(root).as_posix()), path.read_bytes())
`);

// no package is ever loaded beside what is built here
const { info } = JSON.parse(readFileSync(join(runtime, "pyodide-lock.json"), "utf8"));
writeFileSync(join(work, "lock.json"), JSON.stringify({ info, packages: {} }));

/* 3. Named by what they hold, compressed once. */
const files = {
  "pyodide.asm.wasm": join(runtime, "pyodide.asm.wasm"),
  "pyodide.asm.mjs": join(runtime, "pyodide.asm.mjs"),
  "pyodide.mjs": join(runtime, "pyodide.mjs"),
  "stdlib.zip": join(work, "left-stdlib.zip"),
  "emulsa.zip": join(work, "left-emulsa.zip"),
  "memory.bin": join(work, "memory.bin"),
  "pyodide-lock.json": join(work, "lock.json"),
};
const brotli = promisify(brotliCompress);
const hash = createHash("sha256");
const contents = Object.entries(files).map(([name, path]) => [name, readFileSync(path)]);
for (const [, content] of contents) hash.update(content);
// one folder for all: the runtime finds its parts by their own names, beside itself
const build = hash.digest("hex").slice(0, 12);
mkdirSync(join(target, build));
const parts = await Promise.all(
  contents.map(async ([name, content]) => {
    const small = await brotli(content, {
      params: {
        [constants.BROTLI_PARAM_QUALITY]: 7,
        [constants.BROTLI_PARAM_LGWIN]: 24,
        [constants.BROTLI_PARAM_SIZE_HINT]: content.length,
      },
    });
    writeFileSync(join(target, build, name), content);
    writeFileSync(join(target, build, `${name}.br`), small);
    return { name, bytes: content.length, sent: small.length };
  }),
);
writeFileSync(join(target, "parts.json"), `${JSON.stringify({ build, parts }, null, 1)}\n`);
process.exit(0);
