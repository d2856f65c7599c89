import { useSyncExternalStore } from "react";

/** One thing kept outside the page, in the browser's storage: read, kept, and drawn when it changes,
    here or in another tab. Without storage it lasts as long as the page. */
export function keptOutside<T>(key: string) {
  const watchers = new Set<() => void>();
  let cached: { text: string | null; value: T | null } = { text: null, value: null };
  const read = (): T | null => {
    let text: string | null = null;
    try {
      text = localStorage.getItem(key);
    } catch {
      return cached.value;
    }
    if (text !== cached.text) cached = { text, value: text ? (JSON.parse(text) as T) : null };
    return cached.value;
  };
  const keep = (value: T | null) => {
    const text = value ? JSON.stringify(value) : null;
    cached = { text, value };
    try {
      if (text) localStorage.setItem(key, text);
      else localStorage.removeItem(key);
    } catch {
      // the cache holds it
    }
    for (const tell of watchers) tell();
  };
  const subscribe = (tell: () => void) => {
    const elsewhere = (event: StorageEvent) => event.key === key && tell();
    watchers.add(tell);
    window.addEventListener("storage", elsewhere);
    return () => {
      watchers.delete(tell);
      window.removeEventListener("storage", elsewhere);
    };
  };
  return { read, keep, use: () => useSyncExternalStore(subscribe, read) };
}
