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
  /** the tone it stands for: it goes as far as the hand does, wherever it was taken hold of */
  zone: number,
  moved: (zone: number, done: boolean) => void,
  tapped: () => void,
  steps: Steps,
) {
  const start = useRef<{ at: number; moved: boolean; from: number; zone: number } | null>(null);
  const position = (event: PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    return span.upright ? event.clientY - (box?.top ?? 0) : event.clientX - (box?.left ?? 0);
  };
  return {
    onPointerDown: (event: PointerEvent<SVGGElement>) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      start.current = { at: position(event), moved: false, from: zone, zone };
    },
    onPointerMove: (event: PointerEvent<SVGGElement>) => {
      const from = start.current;
      if (!from) return;
      const here = position(event);
      if (!from.moved && Math.abs(here - from.at) < 4) return;
      const by = toneAt(span, here) - toneAt(span, from.at);
      const next = heldTo(event.altKey ? { ...steps, step: FREE } : steps, from.from + by);
      if (from.moved && next === from.zone) return;
      from.moved = true;
      from.zone = next;
      moved(next, false);
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
