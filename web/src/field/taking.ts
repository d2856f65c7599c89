import type { Schemas } from "../api/calls";
import { compared } from "../api/clocks";
import { OWN } from "../api/own";
import { ask, kept, takeIn } from "./carried";
import { handIn, outgoing } from "./handingIn";
import { deviceName, keepCarries, keepCarrying, readCarrying } from "./mode";
import { SMALL as PICTURES } from "./pictures";

/* Taking a copy along: what it runs on, the page itself, the log, its small pictures. */

const PAGE = "emulsa-page"; // the cache the service worker reads

interface Part {
  path: string;
  bytes: number;
}

export interface Progress {
  done: number;
  total: number;
}

/** Fetch everything; the page goes on at home until it is whole. Throws when home is not reached. */
export async function take(tell: (progress: Progress) => void): Promise<void> {
  const held = await kept(); // said before anything is fetched, when nothing can be kept
  const promise = askToKeep();
  const { build, runtime, page } = (await (await reached("/field/parts.json")).json()) as {
    build: string;
    runtime: Part[];
    page: Part[];
  };
  const cache = await caches.open(PAGE);
  const parts = [...runtime, ...page];
  const total = parts.reduce((sum, each) => sum + each.bytes, 0);
  let done = 0;
  // the page itself comes last: until then the one before it stands
  for (const { path, bytes } of parts.sort(
    (a, b) => Number(a.path === "/") - Number(b.path === "/"),
  )) {
    const hashed = path.startsWith("/assets/") || path.startsWith("/field/");
    if (!hashed || !(await cache.match(path))) await cache.put(path, await reached(path));
    done += bytes;
    tell({ done, total });
  }
  const view = (await (await reached("/api/carry/pictures")).json()) as Schemas["CarriedPictures"];
  await pictures(view.pictures, "thumbnail");
  await pictures(view.printed, "view");
  if (held > 0) await handInFirst(build);
  await takeIn(await (await reached("/api/carry/copy")).arrayBuffer());
  await navigator.serviceWorker.register("/sw.js");
  await navigator.serviceWorker.ready;
  keepCarries(true);
  const at = new Date().toISOString();
  await keepCarrying({ at, build, promised: promise.said });
  void promise.answer.then((promised) => {
    if (promised && readCarrying()?.at === at) void keepCarrying({ at, build, promised });
  });
  // what the copy before ran on goes when it is not needed any more
  const wanted = new Set(parts.map((each) => each.path));
  for (const { url } of await cache.keys())
    if (!wanted.has(new URL(url).pathname)) await cache.delete(url);
}

/** Ask the browser to keep it. Some ask the user, who may answer when everything is fetched or never:
    nothing waits for that. */
function askToKeep() {
  const answer = navigator.storage?.persist?.().catch(() => false) ?? Promise.resolve(false);
  const promise = { said: false, answer };
  void answer.then((said) => {
    promise.said = said;
  });
  return promise;
}

/** What was done in a copy that still lies here is handed in before another takes its place: home
    knows what it has already. A copy that cannot be read any more holds nothing to hand in. */
async function handInFirst(build: string) {
  const asking = (request: Request) => ask(request, undefined, build);
  if (await outgoing(asking).catch(() => null)) await handIn(deviceName(), () => undefined, asking);
}

/** Pictures, which never change: all of them small, those that are printed as large as a print is
    planned on. */
async function pictures(ids: string[], size: "thumbnail" | "view") {
  const cache = await caches.open(PICTURES);
  for (const id of ids) {
    const path = `/api/attachments/${id}/${size}`;
    if (await cache.match(path)) continue;
    const answer = await fetch(path, { headers: OWN });
    if (answer.ok) await cache.put(path, answer);
  }
}

/** Back at home: the copy stays where it is until the next is taken, and nothing asks it. */
export async function leave(): Promise<void> {
  await keepCarrying(null);
}

async function reached(path: string): Promise<Response> {
  const answer = compared(await fetch(path, { headers: OWN, cache: "no-cache" }));
  if (!answer.ok) throw new Error(`Home answered ${answer.status} for ${path}; try again.`);
  return answer;
}
