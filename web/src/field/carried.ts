import { readCarrying } from "./mode";
import { dropPicture, keepPicture, NoRoom } from "./pictures";
import type { Answered, Reply, Said } from "./protocol";

/* The page's side of a carried copy: one tab leads, its worker answers. */

const LOCK = "emulsa-carried";
const LEADS_WITHIN_MS = 2_000; // a tab that was just reloaded holds on a little
const AGAIN_MS = 100;

type Unnumbered = Said extends infer S ? (S extends { id: number } ? Omit<S, "id"> : never) : never;

let worker: Worker | null = null;
let number = 0;
const waiting = new Map<number, { done: (reply: Reply) => void; failed: (why: Error) => void }>();

function running(): Worker {
  if (worker) return worker;
  const begun = new Worker(new URL("./field.worker.ts", import.meta.url), { type: "module" });
  begun.onmessage = ({ data }: MessageEvent<Reply>) => {
    waiting.get(data.id)?.done(data);
    waiting.delete(data.id);
  };
  begun.onerror = () => beginAnew("the carried copy could not be started");
  worker = begun;
  return begun;
}

/** After a fault of the runtime's: whoever waits is told, the next who asks begins it again. */
function beginAnew(why: string) {
  worker?.terminate();
  worker = null;
  for (const each of waiting.values()) each.failed(new Fault(why));
  waiting.clear();
}

async function say(said: Unnumbered, transfer: Transferable[] = []): Promise<Reply> {
  if (!(await leads())) throw new Unasked("elsewhere", OTHER_TAB);
  const id = ++number;
  const answered = new Promise<Reply>((done, failed) => waiting.set(id, { done, failed }));
  running().postMessage({ id, ...said }, transfer);
  const reply = await answered;
  if ("fault" in reply) {
    console.error(reply.fault); // what the runtime said; no word the user typed is in it
    beginAnew(reply.fault);
    throw new Fault(reply.fault);
  }
  return reply;
}

/** The runtime failed, or the browser cannot keep what it needs: to who asks, as if home were away. */
export class Fault extends TypeError {}

/** The copy cannot be asked, for a reason that does not pass by itself. */
class Unasked extends Error {
  constructor(
    readonly code: "elsewhere" | "gone",
    message: string,
  ) {
    super(message);
  }
}

let leading: Promise<boolean> | null = null;

/** Whether this tab leads: it does until it is closed. */
export function leads(): Promise<boolean> {
  leading ??= (async () => {
    for (let waited = 0; waited <= LEADS_WITHIN_MS; waited += AGAIN_MS) {
      if (await tried()) return true;
      await new Promise((go) => setTimeout(go, AGAIN_MS));
    }
    leading = null; // asked again, it may be free
    return false;
  })();
  return leading;
}

const tried = () =>
  new Promise<boolean>((found) => {
    void navigator.locks.request(LOCK, { ifAvailable: true }, (lock) => {
      found(lock !== null);
      return lock ? new Promise<void>(() => undefined) : undefined;
    });
  });

const OTHER_TAB =
  "Emulsa is open in another tab of this browser, and that one holds the carried copy: use it, or" +
  " close it and try again.";
const GONE = "The browser has removed the carried copy; go back home and take a new one.";

/** What the carried copy answers to a request. */
export async function ask(
  request: Request,
  file?: Blob,
  build = readCarrying()?.build ?? "",
): Promise<Response> {
  const { pathname, search } = new URL(request.url);
  const body = new Uint8Array(await (file ?? request).arrayBuffer());
  const headers = Object.fromEntries(request.headers);
  if (file) {
    try {
      headers["x-emulsa-size"] = await keepPicture(request, file);
    } catch (problem) {
      if (!(problem instanceof NoRoom)) throw problem;
      const error = { code: "unwritable", message: problem.message };
      return Response.json({ error }, { status: 507 });
    }
  }
  let answer: Answered;
  try {
    const said = {
      build,
      ask: {
        method: request.method,
        target: `${pathname}${search}`,
        headers,
        body,
      },
    };
    const reply = await say(said, [body.buffer]);
    if (!("answer" in reply)) throw new Unasked("gone", GONE);
    answer = reply.answer;
  } catch (problem) {
    if (!(problem instanceof Unasked)) throw problem;
    const { code, message } = problem;
    return Response.json({ error: { code, message } }, { status: 409 });
  }
  const { status } = answer;
  if (file && status >= 400) await dropPicture(request.url);
  const empty = status === 204 || answer.body.length === 0;
  return new Response(empty ? null : answer.body, { status, headers: answer.headers });
}

/** Put a new copy in place of the one before. */
export async function takeIn(copy: ArrayBuffer): Promise<void> {
  await say({ take: copy }, [copy]);
}

/** How many bytes of a log are kept here; none: it was evicted, or never taken. */
export async function kept(): Promise<number> {
  const reply = await say({ size: true });
  return "done" in reply ? reply.done : 0;
}
