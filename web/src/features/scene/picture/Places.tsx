import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { accent, ink, onAccent, paper } from "../bridge/ink";
import type { Place } from "./queries";

export interface Circle {
  x: number;
  y: number;
  radius: number;
}

interface PlacesProps {
  width: number;
  height: number;
  places: Place[];
  placed: string | null;
  /** the one under the hand: it is drawn as the circle */
  moving: string | null;
  circle: Circle | null;
  /** what the circle under the hand says */
  says: string;
  proposed: { x: number; y: number; dark: boolean; text: string }[];
  /** the circle is put there; `done` when the hand lets go of a place it moved */
  onCircle: (circle: Circle, moved?: { id: string; done: boolean }) => void;
  onOpen: (id: string) => void;
  onTake: () => void;
  usual: number;
}

const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const [STEP, FAR] = [0.01, 0.05]; // of the width
const LARGER = 1.25;
const [SMALLEST, LARGEST] = [0.001, 0.25]; // of the width
const LEAST_PX = 7;
const SLOP = 4; // px a finger may wander and still only touch

const held = (share: number) => Math.max(0, Math.min(1, share));

/** Readings where they lie in the picture, and the circle under the hand: touch or drag to read,
    arrows move it, + and − make it larger and smaller. */
export function Places(props: PlacesProps) {
  const { width, height, places, circle, usual, onCircle, onTake } = props;
  const at = (event: PointerEvent<Element>) => {
    const box = event.currentTarget.closest("svg")?.getBoundingClientRect();
    if (!box) return { x: 0.5, y: 0.5 };
    return {
      x: held((event.clientX - box.left) / box.width),
      y: held((event.clientY - box.top) / box.height),
    };
  };
  const [pressed, setPressed] = useState(false);
  const radius = circle?.radius ?? usual;
  const keyed = (event: KeyboardEvent) => {
    const from = circle ?? { x: 0.5, y: 0.5, radius };
    const step = STEPS[event.key];
    const by = event.shiftKey ? FAR : STEP;
    if (step) {
      onCircle({
        ...from,
        x: held(from.x + step[0] * by),
        y: held(from.y + (step[1] * by * width) / height),
      });
    } else if (event.key === "+" || event.key === "=") {
      onCircle({ ...from, radius: Math.min(LARGEST, from.radius * LARGER) });
    } else if (event.key === "-" || event.key === "−") {
      onCircle({ ...from, radius: Math.max(SMALLEST, from.radius / LARGER) });
    } else if (event.key === "Enter" && circle) {
      onTake();
    } else return;
    event.preventDefault();
  };
  return (
    <svg
      width={width}
      height={height}
      role="group"
      aria-label="The picture with its readings"
      style={{ position: "absolute", inset: 0, userSelect: "none" }}
    >
      <rect
        width={width}
        height={height}
        fill="transparent"
        role="button"
        tabIndex={0}
        aria-label={`Read a place: arrows move the circle, + and − change its size, Enter goes on${props.says ? `. ${props.says}` : ""}`}
        style={{ cursor: "crosshair", touchAction: "none", outlineOffset: -3 }}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setPressed(true);
          onCircle({ ...at(event), radius });
        }}
        onPointerMove={(event) => pressed && onCircle({ ...at(event), radius })}
        onPointerUp={() => setPressed(false)}
        onPointerCancel={() => setPressed(false)}
        onKeyDown={keyed}
      />
      {props.proposed.map((each) => (
        <g key={`${each.dark} ${each.x} ${each.y}`} pointerEvents="none" aria-hidden>
          <rect
            x={each.x * width - 6}
            y={each.y * height - 6}
            width={12}
            height={12}
            fill="none"
            stroke={each.dark ? "#fff" : "#111"}
            strokeDasharray="3 2"
          />
        </g>
      ))}
      {places.map((each) => (
        <Mark key={each.id} place={each} at={at} {...props} />
      ))}
      {circle && (
        <g pointerEvents="none" aria-hidden>
          <circle
            cx={circle.x * width}
            cy={circle.y * height}
            r={Math.max(LEAST_PX, circle.radius * width)}
            fill="none"
            stroke="#fff"
            strokeWidth={4}
          />
          <circle
            cx={circle.x * width}
            cy={circle.y * height}
            r={Math.max(LEAST_PX, circle.radius * width)}
            fill="none"
            stroke={accent}
            strokeWidth={2}
          />
        </g>
      )}
    </svg>
  );
}

/** A reading in the picture: drag it to read another place, touch it to open it. */
function Mark({
  place,
  placed,
  moving,
  width,
  height,
  at,
  onCircle,
  onOpen,
}: PlacesProps & {
  place: Place;
  at: (event: PointerEvent<Element>) => { x: number; y: number };
}) {
  const began = useRef<[number, number] | null>(null);
  const moved = useRef(false);
  const to = useRef<{ x: number; y: number } | null>(null);
  const [x, y] = [place.x * width, place.y * height];
  const named = place.label;
  const wide = named.length * 7.2 + 14;
  const left = x + 14 + wide > width ? x - 14 - wide : x + 14;
  const isPlaced = place.id === placed;
  const go = (point: { x: number; y: number }, done: boolean) =>
    onCircle({ ...point, radius: place.radius }, { id: place.id, done });
  const keyed = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (step) {
      const by = event.shiftKey ? FAR : STEP;
      go(
        {
          x: held(place.x + step[0] * by),
          y: held(place.y + (step[1] * by * width) / height),
        },
        true,
      );
    } else if (event.key === "Enter" || event.key === " ") onOpen(place.id);
    else return;
    event.preventDefault();
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${named}, ${place.text}${place.zone_text ? `, falls on ${place.zone_text}` : ""}${place.meters ? ", spot reading" : ", from the picture"}`}
      opacity={place.id === moving ? 0 : 1}
      style={{ cursor: "grab", touchAction: "none", outlineOffset: 2 }}
      onKeyDown={keyed}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        began.current = [event.clientX, event.clientY];
        moved.current = false;
      }}
      onPointerMove={(event) => {
        if (!began.current) return;
        const [fromX, fromY] = began.current;
        moved.current ||= Math.hypot(event.clientX - fromX, event.clientY - fromY) > SLOP;
        if (!moved.current) return;
        to.current = at(event);
        go(to.current, false);
      }}
      onPointerUp={() => {
        if (began.current && moved.current && to.current) go(to.current, true);
        else if (began.current) onOpen(place.id);
        began.current = null;
      }}
      onPointerCancel={() => {
        began.current = null;
      }}
    >
      <circle cx={x} cy={y} r={20} fill="transparent" />
      {/* what the meter read is filled, what the picture tells is open */}
      <circle
        cx={x}
        cy={y}
        r={Math.max(LEAST_PX, place.radius * width)}
        fill={place.meters ? (isPlaced ? accent : paper) : "none"}
        fillOpacity={0.85}
        stroke={place.without_text || place.clipped ? "#c98500" : paper}
        strokeWidth={3}
      />
      <circle
        cx={x}
        cy={y}
        r={Math.max(LEAST_PX, place.radius * width)}
        fill="none"
        stroke={ink}
        strokeWidth={1.5}
      />
      <rect
        x={left}
        y={y - 10}
        width={wide}
        height={20}
        rx={3}
        fill={isPlaced ? accent : paper}
        fillOpacity={0.88}
      />
      <text
        x={left + 7}
        y={y + 4.5}
        fontSize={13}
        fontWeight={isPlaced ? 650 : 500}
        fill={isPlaced ? onAccent : ink}
      >
        {named}
      </text>
    </g>
  );
}
