import { here } from "../api/here";
import { OWN } from "../api/own";

/* Pictures attached out there: the files wait in the browser's own storage until home has them; small
   ones are drawn here, so that they are seen meanwhile. */

const WAITING = "emulsa-taken";
export const SMALL = "emulsa-pictures"; // what the service worker shows
const SMALL_PX = 480;
const VIEW_PX = 1_200; // of a scene's picture, which is metered by
const QUALITY = 0.8;
const SENT = ["idempotency-key", "x-emulsa-moment"] as const;

/** The browser's storage takes no further picture. */
export class NoRoom extends Error {
  constructor() {
    super(
      "There is no room left on this device for this picture: it was not kept. Everything done before" +
        " is here; make room, or hand it in.",
    );
  }
}

/** Keep a picture under the request it was attached by; its size in pixels, empty when it cannot be
    opened here. */
export async function keepPicture(request: Request, file: Blob): Promise<string> {
  const image = await createImageBitmap(file).catch(() => null);
  if (!image) return "";
  // its size as it lies in the file, as home will see it; what is drawn stands upright
  const lying = await createImageBitmap(file, { imageOrientation: "none" });
  const { width, height } = lying;
  lying.close();
  const { pathname, searchParams } = new URL(request.url);
  const small = await drawn(image, SMALL_PX);
  const view = searchParams.has("scene_id") ? await drawn(image, VIEW_PX) : null;
  image.close();
  const headers = Object.fromEntries(SENT.map((name) => [name, request.headers.get(name) ?? ""]));
  try {
    const seen = await caches.open(SMALL);
    await seen.put(`${pathname}/thumbnail`, new Response(small));
    if (view) await seen.put(`${pathname}/view`, new Response(view));
    await (await caches.open(WAITING)).put(request.url, new Response(file, { headers }));
  } catch {
    throw new NoRoom();
  }
  return `${width}x${height}`;
}

/** A picture, its longer side no longer than this. */
function drawn(image: ImageBitmap, longest: number): Promise<Blob> {
  const { width, height } = image;
  const scale = Math.min(1, longest / Math.max(width, height));
  const canvas = new OffscreenCanvas(Math.round(width * scale), Math.round(height * scale));
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
}

/** Let a picture go: its act was refused, or taken back. */
export async function dropPicture(url: string): Promise<void> {
  await (await caches.open(WAITING)).delete(url, { ignoreSearch: true });
}

/** A picture as it was attached, and its file. */
export interface Attached {
  id: string;
  moment: string;
  /** the address it was sent to, with its name and what it shows */
  target: string;
  file: Blob;
}

/** How many wait. */
export const picturesWaiting = async () =>
  (await caches.has(WAITING)) ? (await (await caches.open(WAITING)).keys()).length : 0;

/** Those that wait. */
export async function waitingPictures(): Promise<Attached[]> {
  if (!(await caches.has(WAITING))) return [];
  const cache = await caches.open(WAITING);
  const found: Attached[] = [];
  for (const { url } of await cache.keys()) {
    const kept = await cache.match(url);
    const { pathname, search } = new URL(url);
    const [id = "", moment = ""] = SENT.map((name) => kept?.headers.get(name) ?? "");
    if (kept) found.push({ id, moment, target: `${pathname}${search}`, file: await kept.blob() });
  }
  return found;
}

/** Send those that wait home, each once; answers why some are not taken. */
export async function sendPictures(): Promise<string[]> {
  const said: string[] = [];
  for (const each of await waitingPictures()) {
    const why = await sendPicture(each);
    if (why) said.push(why);
    else await dropPicture(here(each.target));
  }
  return said;
}

/** Send one home; empty, or why home does not take it. */
export async function sendPicture({ id, moment, target, file }: Attached): Promise<string> {
  const [key, at] = SENT;
  const answer = await fetch(target, {
    method: "PUT",
    headers: { ...OWN, [key]: id, [at]: moment },
    body: file,
  });
  if (answer.ok) return "";
  const said = (await answer.json().catch(() => null)) as { error?: { message?: string } } | null;
  const name = new URL(here(target)).searchParams.get("name") ?? "picture";
  return `${name}: ${said?.error?.message ?? `home answered ${answer.status}; try again.`}`;
}
