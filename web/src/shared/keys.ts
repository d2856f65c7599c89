import { useLayoutEffect, useRef } from "react";

/** What a key does; "typed" leaves the character to what has the focus by then. */
export type Keys = Record<string, (event: KeyboardEvent) => unknown>;

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName));

const inDialog = () => document.querySelector('[role="dialog"][data-state="open"]') !== null;

/** A letter right after typing belongs to what was being typed, wherever the focus went. */
const REST_MS = 1_000;
/** Between g and the digit of a room. */
const CHORD_MS = 2_000;
const FIRST = "g";

/** The keys that act now; what was laid on last comes first. */
const laid: { current: Keys }[] = [];
let typedAt = Number.NEGATIVE_INFINITY;
let begunAt = Number.NEGATIVE_INFINITY;

function pressed(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  const now = event.timeStamp;
  const typing = isTyping(event.target);
  // Escape says that one is done with it, wherever the focus went
  if (event.key === "Escape") typedAt = Number.NEGATIVE_INFINITY;
  else if (typing) typedAt = now;
  if (typing) return;
  if (event.defaultPrevented || inDialog()) return;
  if (/^[a-z]$/i.test(event.key) && now - typedAt < REST_MS) return;
  const chord = now - begunAt < CHORD_MS;
  begunAt = Number.NEGATIVE_INFINITY;
  const key = chord ? `${FIRST} ${event.key}` : event.key;
  const act = [...laid].reverse().find((each) => each.current[key])?.current[key];
  if (act) {
    if (act(event) === "typed") typedAt = now;
    else event.preventDefault();
  } else if (event.key === FIRST) {
    begunAt = now;
  }
}

/** Single keys, and `g` with a digit, that act when nothing is being typed and no dialog is open. */
export function useKeys(keys: Keys) {
  const latest = useRef(keys);
  useLayoutEffect(() => {
    latest.current = keys;
  }, [keys]);
  useLayoutEffect(() => {
    laid.push(latest);
    window.addEventListener("keydown", pressed); // the same function is added once
    return () => {
      laid.splice(laid.indexOf(latest), 1);
    };
  }, []);
}
