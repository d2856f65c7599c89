import { keptOutside } from "../api/kept";

/** A carried copy: when it was taken, and what it runs on. */
export interface Carrying {
  at: string;
  build: string;
  /** whether the browser promised to keep it */
  promised: boolean;
}

const NAME = "emulsa-carried"; // of the key, and of the cache by which the service worker knows
const AT = "/-carried";

const kept = keptOutside<Carrying>(NAME);
export const useCarrying = kept.use;
export const readCarrying = kept.read;

/** Keep the mode where it outlasts a device that is switched off at once: the browser writes what is
    in its local storage when it likes. */
export async function keepCarrying(mode: Carrying | null): Promise<void> {
  if (mode) await (await caches.open(NAME)).put(AT, Response.json(mode));
  else await caches.delete(NAME);
  kept.keep(mode);
}

/** What the mode is, before anything is shown: on a device that has carried, it may have to be found
    again. */
export async function findMode(): Promise<void> {
  if (!navigator.serviceWorker?.controller) return;
  const found = await ((await caches.has(NAME)) ? (await caches.open(NAME)).match(AT) : undefined);
  kept.keep(found ? ((await found.json()) as Carrying) : null);
  if (found) once.keep(true);
}

const DEVICE = "emulsa-device-name";
/** What this device is called at home. */
export const deviceName = () => localStorage.getItem(DEVICE) || "Phone";
export const nameDevice = (name: string) => localStorage.setItem(DEVICE, name);

/* Whether this device has ever carried: then it is said that it is at home. */
const once = keptOutside<boolean>("emulsa-carries");
export const useCarries = once.use;
export const keepCarries = once.keep;
