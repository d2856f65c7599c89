import { OWN } from "../api/own";

/* Pictures attached out there: the files wait in the browser's own storage until home has them; small
   ones are drawn here, so that they are seen meanwhile. */

const WAITING = "emulsa-taken";
export const SMALL = "emulsa-pictures"; // what the service worker shows
const SMALL_PX = 480;
const QUALITY = 0.8;
const SENT = ["idempotency-key", "x-emulsa-moment"] as const;

/** Keep a picture under the request it was attached by; its size in pixels, empty when it cannot be
    opened here. */
export async function keepPicture(request: Request, file: Blob): Promise<string> {
  const image = await createImageBitmap(file).catch(() => null);
  if (!image) return "";
  const { width, height } = image;
  const scale = Math.min(1, SMALL_PX / Math.max(width, height));
  const canvas = new OffscreenCanvas(Math.round(width * scale), Math.round(height * scale));
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  const small = await canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
  const { pathname } = new URL(request.url);
  await (await caches.open(SMALL)).put(`${pathname}/thumbnail`, new Response(small));
  const headers = Object.fromEntries(SENT.map((name) => [name, request.headers.get(name) ?? ""]));
  await (await caches.open(WAITING)).put(request.url, new Response(file, { headers }));
  return `${width}x${height}`;
}

/** Let a picture go: its act was refused, or taken back. */
export async function dropPicture(url: string): Promise<void> {
  await (await caches.open(WAITING)).delete(url, { ignoreSearch: true });
}

/** How many wait. */
export const picturesWaiting = async () =>
  (await caches.has(WAITING)) ? (await (await caches.open(WAITING)).keys()).length : 0;

/** Send them home, each once; returns how many home did not take. */
export async function sendPictures(): Promise<number> {
  const cache = await caches.open(WAITING);
  let left = 0;
  for (const { url } of await cache.keys()) {
    const kept = await cache.match(url);
    if (!kept) continue;
    const named = SENT.map((name) => [name, kept.headers.get(name) ?? ""]);
    const answer = await fetch(url, {
      method: "PUT",
      headers: { ...OWN, ...Object.fromEntries(named) },
      body: await kept.blob(),
    });
    if (answer.ok) await cache.delete(url);
    else left += 1;
  }
  return left;
}
