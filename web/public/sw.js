/* Shows the page without a network while a copy is carried. It never answers for the service: what is
   asked of the log goes to the carried copy or home, as the page says, and by no choice made here. */

const PAGE = "emulsa-page";
const PICTURES = "emulsa-pictures";
const CARRIED = "emulsa-carried";
const WAITS = "This waits for home: papers, calendars and tables are made there.";

addEventListener("install", () => skipWaiting());
addEventListener("activate", (event) => event.waitUntil(clients.claim()));

addEventListener("fetch", (event) => {
  const { method, mode, url } = event.request;
  const { origin, pathname } = new URL(url);
  if (method !== "GET" || origin !== location.origin) return;
  if (pathname.startsWith("/api/attachments/")) event.respondWith(picture(event.request, pathname));
  else if (!pathname.startsWith("/api/")) event.respondWith(page(event.request, pathname));
  else if (mode === "navigate") event.respondWith(file(event.request));
});

async function page(request, pathname) {
  const kept = async () =>
    (await caches.open(PAGE)).match(request.mode === "navigate" ? "/" : pathname);
  if (await caches.has(CARRIED)) {
    const found = await kept();
    if (found) return found;
  }
  try {
    return await fetch(request);
  } catch {
    return (await kept()) ?? Response.error();
  }
}

async function picture(request, pathname) {
  if (!(await caches.has(CARRIED))) return fetch(request);
  return (await (await caches.open(PICTURES)).match(pathname)) ?? new Response("", { status: 404 });
}

async function file(request) {
  if (!(await caches.has(CARRIED))) return fetch(request);
  return new Response(WAITS, { status: 503, headers: { "content-type": "text/plain" } });
}
