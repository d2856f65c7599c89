import type { Virtualizer } from "@tanstack/react-virtual";
import { type KeyboardEvent, type RefObject, useLayoutEffect, useRef, useState } from "react";

export type Virtual = Virtualizer<HTMLDivElement, Element>;

export interface Roving {
  field: RefObject<HTMLUListElement | null>;
  rove: (place: number) => { tabIndex: number };
}

/** One stop for the tab key in a long list; arrows, Home and End move within it. */
export function useRoving(count: number, across: number, virtual: Virtual) {
  const field = useRef<HTMLUListElement>(null);
  const [current, setCurrent] = useState(0);
  const wanted = useRef<number | null>(null);
  const staying = useRef(false);
  const reach = () => {
    if (wanted.current === null || staying.current) return;
    const link = field.current?.querySelector<HTMLElement>(`[data-place="${wanted.current}"]`);
    if (link) {
      link.focus({ preventScroll: true });
      wanted.current = null;
    }
  };
  // no dependencies: the wanted line may only be drawn after the list has scrolled to it
  useLayoutEffect(reach);
  const go = (place: number) => {
    const next = Math.max(0, Math.min(count - 1, place));
    wanted.current = next;
    setCurrent(next);
    virtual.scrollToIndex(Math.floor(next / across));
  };
  const moved = (event: KeyboardEvent, place: number) => {
    const to: Record<string, number> = {
      ArrowDown: place + across,
      ArrowUp: place - across,
      Home: 0,
      End: count - 1,
      PageDown: place + 10 * across,
      PageUp: place - 10 * across,
      ...(across > 1 ? { ArrowRight: place + 1, ArrowLeft: place - 1 } : {}),
    };
    const next = to[event.key];
    if (next === undefined) return;
    event.preventDefault();
    go(next);
  };
  /** To be said before the list is drawn another way: the line one is on is then gone to again. */
  const stay = () => {
    if (!field.current?.contains(document.activeElement)) return;
    wanted.current = current;
    staying.current = true;
  };
  const arrive = () => {
    staying.current = false;
    if (wanted.current !== null) virtual.scrollToIndex(Math.floor(wanted.current / across));
    reach();
  };
  const inReach = Math.min(current, Math.max(0, count - 1));
  const rove = (place: number) => ({
    "data-place": place,
    tabIndex: place === inReach ? 0 : -1,
    onKeyDown: (event: KeyboardEvent) => moved(event, place),
    onFocus: () => setCurrent(place),
  });
  return { field, rove, stay, arrive };
}
