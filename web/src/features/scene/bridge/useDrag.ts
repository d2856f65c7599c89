import { type PointerEvent, useRef } from "react";
import { heldTo, type Steps } from "../../../components/heldTo";
import { type RailSpan, toneAt } from "./geometry";

/** Between the steps, with the other key held. */
const FREE = 0.001;

/** How far an arrow key moves along a rail. */
export const ARROWS: Record<string, number> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
};

/** Dragging along a rail: every tone passed while moving, the last one when let go, a tap when still. */
export function useDrag(
  span: RailSpan,
  moved: (zone: number, done: boolean) => void,
  tapped: () => void,
  steps: Steps,
) {
  const start = useRef<{ at: number; moved: boolean; zone: number } | null>(null);
  const position = (event: PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    return span.upright ? event.clientY - (box?.top ?? 0) : event.clientX - (box?.left ?? 0);
  };
  return {
    onPointerDown: (event: PointerEvent<SVGGElement>) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      start.current = { at: position(event), moved: false, zone: 0 };
    },
    onPointerMove: (event: PointerEvent<SVGGElement>) => {
      const from = start.current;
      if (!from) return;
      const here = position(event);
      if (!from.moved && Math.abs(here - from.at) < 4) return;
      const zone = heldTo(event.altKey ? { ...steps, step: FREE } : steps, toneAt(span, here));
      if (from.moved && zone === from.zone) return;
      from.moved = true;
      from.zone = zone;
      moved(zone, false);
    },
    onPointerUp: () => {
      const from = start.current;
      start.current = null;
      if (from?.moved) moved(from.zone, true);
      else if (from) tapped();
    },
    onPointerCancel: () => {
      const from = start.current;
      start.current = null;
      if (from?.moved) moved(from.zone, true);
    },
  };
}
