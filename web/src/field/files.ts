/* The log's files in the browser's own storage, under the runtime's file system. Everything else
   that is written lasts as long as the worker. */

export const DATA = "/data";
const NAME = "emulsa.sqlite3";
/** What SQLite keeps beside the log: what was written last, and what would be taken back. */
const BESIDE = [`${NAME}-wal`, `${NAME}-journal`];
/** A new copy until it is whole. */
const NEXT = `${NAME}-next`;

interface Handle {
  read(buffer: ArrayBufferView, at: { at: number }): number;
  write(buffer: ArrayBufferView, at: { at: number }): number;
  truncate(size: number): void;
  getSize(): number;
  flush(): void;
  close(): void;
}

export type Handles = Map<string, Handle>;

/** Every file, held by this worker alone. */
export async function handles(): Promise<Handles> {
  const root = await navigator.storage.getDirectory();
  const folder = await root.getDirectoryHandle("emulsa", { create: true });
  const found: Handles = new Map();
  for (const name of [NAME, ...BESIDE, NEXT]) {
    const file = await folder.getFileHandle(name, { create: true });
    const held = file as unknown as { createSyncAccessHandle(): Promise<Handle> };
    found.set(name, await patiently(() => held.createSyncAccessHandle()));
  }
  putInPlace(found);
  return found;
}

/** What browsers call a file that is held elsewhere. */
const HELD = ["NoModificationAllowedError", "InvalidStateError"];
export const CANNOT_KEEP = "This browser cannot keep a copy; another, or a newer one, may.";
const PATIENCE_MS = 3_000;
const AGAIN_MS = 50;

/** A page that was just reloaded may hold a file a moment longer; a browser that has no such files
    says something else, at once. */
async function patiently<T>(open: () => Promise<T>): Promise<T> {
  for (let waited = 0; ; waited += AGAIN_MS) {
    try {
      return await open();
    } catch (problem) {
      if (!HELD.includes((problem as Error).name)) throw new Error(CANNOT_KEEP);
      if (waited >= PATIENCE_MS) throw problem;
      await new Promise((go) => setTimeout(go, AGAIN_MS));
    }
  }
}

/** The first bytes of any log; of a new copy they are written last, so that it is whole if they stand. */
const HEAD = new TextEncoder().encode("SQLite format 3\0");

/** A new copy in place of the one before, whenever the device is switched off: the one before, or it. */
export function takeIn(files: Handles, copy: ArrayBuffer) {
  const next = handle(files, NEXT);
  const content = new Uint8Array(copy);
  written(next, content.subarray(HEAD.length), HEAD.length);
  written(next, content.subarray(0, HEAD.length), 0);
  putInPlace(files);
}

/** Whatever lies there as the next copy takes the place of the log, or goes when it is not whole. */
function putInPlace(files: Handles) {
  const next = handle(files, NEXT);
  const content = new Uint8Array(next.getSize());
  next.read(content, { at: 0 });
  if (content.length && HEAD.every((byte, at) => content[at] === byte)) {
    const log = handle(files, NAME);
    for (const name of BESIDE) emptied(handle(files, name));
    log.truncate(content.length);
    written(log, content, 0);
  }
  emptied(next);
}

const handle = (files: Handles, name: string) => files.get(name) as Handle;

function emptied(file: Handle) {
  file.truncate(0);
  file.flush();
}

/** Written and on the disk; a full disk may take a part of it only. */
function written(file: Handle, content: Uint8Array, at: number) {
  if (file.write(content, { at }) < content.length)
    throw new Error("This device is short of space: the copy could not be kept.");
  file.flush();
}

export const sizeOf = (files: Handles) => files.get(NAME)?.getSize() ?? 0;

/* The runtime's file system, as far as it is used here. */
interface Node {
  usedBytes: number;
  node_ops: {
    mknod(parent: Node, name: string, mode: number, device: number): Node;
    unlink(parent: Node, name: string): void;
    getattr(node: Node): unknown;
    setattr(node: Node, attributes: { size?: number | undefined }): void;
  };
  stream_ops: {
    llseek(stream: Stream, offset: number, whence: number): number;
    read(...of: Moving): number;
    write(...of: Moving): number;
  };
}
interface Stream {
  node: Node;
}
type Moving = [stream: Stream, buffer: Int8Array, offset: number, length: number, position: number];
export interface FileSystem {
  mkdirTree(path: string): void;
  mknod(path: string, mode: number, device: number): void;
  lookupPath(path: string): { node: Node };
}

const FILE = 0o100666;

/** Put the files under `/data`; returns what waits until all that was written is on the disk. */
export function keepUnder(fs: FileSystem, files: Handles): () => void {
  fs.mkdirTree(DATA);
  const folder = fs.lookupPath(DATA).node;
  const own = folder.node_ops;
  const changed = new Set<Handle>();
  folder.node_ops = {
    ...own,
    mknod(parent, name, mode, device) {
      const node = own.mknod(parent, name, mode, device);
      const handle = files.get(name);
      if (handle) lay(node, handle, changed);
      return node;
    },
    unlink(parent, name) {
      const handle = files.get(name);
      if (handle) {
        handle.truncate(0);
        changed.add(handle);
      }
      own.unlink(parent, name);
    },
  };
  for (const [name, handle] of files)
    if (handle.getSize() > 0) fs.mknod(`${DATA}/${name}`, FILE, 0);
  return () => {
    for (const handle of changed) handle.flush();
    changed.clear();
  };
}

/** A node of the memory's file system that reads and writes a file instead. */
function lay(node: Node, handle: Handle, changed: Set<Handle>) {
  const { node_ops, stream_ops } = node;
  const sized = () => {
    node.usedBytes = handle.getSize();
  };
  node.node_ops = {
    ...node_ops,
    getattr(each) {
      sized();
      return node_ops.getattr(each);
    },
    setattr(each, attributes) {
      const { size, ...others } = attributes;
      if (size !== undefined) {
        if (size <= handle.getSize()) handle.truncate(size); // what grows is written
        changed.add(handle);
      }
      node_ops.setattr(each, others);
    },
  };
  node.stream_ops = {
    ...stream_ops,
    llseek(stream, offset, whence) {
      sized();
      return stream_ops.llseek(stream, offset, whence);
    },
    read: (_, buffer, offset, length, at) =>
      handle.read(buffer.subarray(offset, offset + length), { at }),
    // a full storage takes a part or nothing: SQLite is told so, and says it in its own way
    write(_, buffer, offset, length, at) {
      changed.add(handle);
      try {
        return handle.write(buffer.subarray(offset, offset + length), { at });
      } catch {
        return 0;
      }
    },
  };
}
