import { useSyncExternalStore } from "react";

/* Day or dusk, kept on this device; public/light.js sets it before the first paint. */

export type Light = "day" | "dusk";

const listeners = new Set<() => void>();

const current = (): Light => (document.documentElement.classList.contains("dark") ? "dusk" : "day");

export function setLight(light: Light) {
  document.documentElement.classList.toggle("dark", light === "dusk");
  document.documentElement.classList.toggle("light", light === "day");
  try {
    localStorage.setItem("emulsa-light", light);
  } catch {
    // without storage the choice lasts as long as the page
  }
  for (const listener of listeners) listener();
}

export function useLight(): Light {
  return useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, current);
}
