import { type MouseEvent, type PointerEvent, type RefObject, useEffect, useRef } from "react";
import { type Size, tallness, turned } from "./look";
import type { Looking } from "./useLook";

const TWICE = 2;

/** Moves the look by a hand on a picture: dragged, pinched, by a wheel, by a double click. */
export function useHand(
  element: RefObject<HTMLElement | null>,
  looking: Looking,
  picture: Size,
  pane: Size,
) {
  const held = useRef(new Map<number, { x: number; y: number }>());
  const at = (event: { clientX: number; clientY: number }) => {
    const box = element.current?.getBoundingClientRect();
    if (!box) return {};
    return {
      atX: (event.clientX - box.left) / box.width - 0.5,
      atY: (event.clientY - box.top) / box.height - 0.5,
      tall: tallness(picture, pane),
    };
  };
  const place = useRef(at);
  place.current = at;
  useEffect(() => {
    const own = element.current;
    const wheeled = (event: WheelEvent) => {
      event.preventDefault(); // the page behind stays
      looking.nearer(turned(event.deltaY), place.current(event));
    };
    own?.addEventListener("wheel", wheeled, { passive: false });
    return () => own?.removeEventListener("wheel", wheeled);
  }, [element, looking]);
  const drag = (event: PointerEvent, x: number, y: number) => {
    const tall = tallness(picture, pane);
    looking.move(-x / pane.width, (-y / pane.height) * tall);
    event.preventDefault();
  };
  return {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      held.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      const before = held.current.get(event.pointerId);
      if (!before) return;
      const now = { x: event.clientX, y: event.clientY };
      const other = [...held.current].find(([id]) => id !== event.pointerId)?.[1];
      held.current.set(event.pointerId, now);
      if (!other) return drag(event, now.x - before.x, now.y - before.y);
      const apart = (from: { x: number; y: number }) =>
        Math.hypot(from.x - other.x, from.y - other.y) || 1;
      const middle = { clientX: (now.x + other.x) / 2, clientY: (now.y + other.y) / 2 };
      looking.nearer(apart(now) / apart(before), at(middle));
      drag(event, (now.x - before.x) / 2, (now.y - before.y) / 2);
    },
    onPointerUp: (event: PointerEvent) => void held.current.delete(event.pointerId),
    onPointerCancel: (event: PointerEvent) => void held.current.delete(event.pointerId),
    onDoubleClick: (event: MouseEvent) => looking.nearer(TWICE, at(event)),
  };
}
