import { useState } from "react";

/** Text that is still there after leaving the page and coming back, until it is used. */
export function useKeptText(key: string): [string, (text: string) => void] {
  const [held, setHeld] = useState({ key, text: read(key) });
  const text = held.key === key ? held.text : read(key);
  const keep = (next: string) => {
    setHeld({ key, text: next });
    try {
      if (next) sessionStorage.setItem(key, next);
      else sessionStorage.removeItem(key);
    } catch {
      // without storage the text lasts as long as the page
    }
  };
  return [text, keep];
}

function read(key: string): string {
  try {
    return sessionStorage.getItem(key) ?? "";
  } catch {
    return "";
  }
}
