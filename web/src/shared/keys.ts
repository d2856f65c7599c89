import { useLayoutEffect, useRef } from "react";

export type Keys = Record<string, (event: KeyboardEvent) => void>;

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));

const inDialog = () => document.querySelector('[role="dialog"][data-state="open"]') !== null;

/** Single keys that act when nothing is being typed and no dialog is open. */
export function useKeys(keys: Keys) {
  const latest = useRef(keys);
  useLayoutEffect(() => {
    latest.current = keys;
  }, [keys]);
  useLayoutEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      if (isTyping(event.target) || inDialog()) return;
      const act = latest.current[event.key];
      if (act) {
        event.preventDefault();
        act(event);
      }
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, []);
}
