import { useState } from "react";

/** Text that is still there after leaving the page and coming back, until it is used. */
export function useKeptText(key: string): [string, (text: string) => void] {
  const [text, setText] = useState(() => {
    try {
      return sessionStorage.getItem(key) ?? "";
    } catch {
      return "";
    }
  });
  const keep = (next: string) => {
    setText(next);
    try {
      if (next) sessionStorage.setItem(key, next);
      else sessionStorage.removeItem(key);
    } catch {
      // without storage the text lasts as long as the page
    }
  };
  return [text, keep];
}
