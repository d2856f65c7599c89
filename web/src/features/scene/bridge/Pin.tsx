import type { KeyboardEvent } from "react";
import { heldTo } from "../../../components/heldTo";
import { HANDLES } from "../../../service/service";
import type { RailSpan } from "./geometry";
import { accent, ink, ink2, LOST, onAccent, paper, Words } from "./ink";
import type { BridgePin, BridgeProps } from "./props";
import { ARROWS, useDrag } from "./useDrag";

/** A reading: drag it or use the arrows to place it, touch it to open it. */
export function Pin({
  pin,
  lines,
  span,
  at,
  head,
  foot,
  slid,
  label,
  isHigh,
  highMarked,
  pinned,
  onPlace,
  onOpen,
}: {
  pin: BridgePin;
  /** its label as there is room for it; none: its ring alone */
  lines: string[];
  span: RailSpan;
  at: number;
  head: number;
  foot: number;
  slid?: number;
  label: [number, number];
  isHigh: boolean;
  highMarked: boolean;
  pinned: string | null;
  onPlace: BridgeProps["onPlace"];
  onOpen: BridgeProps["onOpen"];
}) {
  const placed = pin.id === pinned;
  const drag = useDrag(
    span,
    pin.zone,
    (zone, done) => onPlace(pin.id, zone, done),
    () => onOpen(pin.id),
    HANDLES.placement,
  );
  const pressed = (event: KeyboardEvent) => {
    const step = ARROWS[event.key];
    if (step) {
      event.preventDefault();
      const by = event.shiftKey ? HANDLES.placement.far : HANDLES.placement.step;
      onPlace(pin.id, heldTo(HANDLES.placement, pin.zone + step * by), true);
    } else if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      onOpen(pin.id);
    }
  };
  const [cx, cy] = span.upright ? [head, slid ?? at] : [at, head];
  const stem = span.upright ? `M${cx},${cy} L${foot},${at}` : `M${at},${head} V${foot}`;
  const word = placed
    ? "placed"
    : pin.incident
      ? "incident"
      : isHigh && highMarked
        ? "highlight"
        : "";
  const size = placed ? 10 : 9;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${pin.label}${placed ? ", placed" : ""}${pin.incident ? ", incident" : ""}`}
      aria-orientation={span.upright ? "vertical" : "horizontal"}
      aria-valuemin={HANDLES.placement.lowest}
      aria-valuemax={HANDLES.placement.highest}
      aria-valuenow={pin.zone}
      aria-valuetext={`EV ${pin.ev_text}${pin.doubt_text ? ` ${pin.doubt_text}` : ""}, ${placed ? "placed" : "falls"} on ${pin.zone_text}, printed as ${pin.lands_text}${pin.lost ? `, ${LOST[pin.lost]}` : ""}`}
      data-pin={pin.label}
      onKeyDown={pressed}
      {...drag}
      style={{ cursor: "grab", outlineOffset: 2, touchAction: "none" }}
    >
      <path d={stem} stroke={ink} strokeWidth={placed ? 2.5 : 1.5} fill="none" />
      {placed && !span.upright && <path d={`M${at - 9},${foot - 2} h18 l-9,12 z`} fill={accent} />}
      <circle cx={cx} cy={cy} r={22} fill="transparent" />
      {/* a reading of the light is a square: it is no tone */}
      <rect
        x={cx - size}
        y={cy - size}
        width={2 * size}
        height={2 * size}
        rx={pin.incident ? 0 : size}
        fill={placed ? accent : paper}
        stroke={placed ? accent : ink}
        strokeWidth={2}
      />
      {placed && <circle cx={cx} cy={cy} r={3.5} fill={onAccent} />}
      {isHigh && highMarked && !placed && (
        <circle cx={cx} cy={cy} r={4} fill="none" stroke={ink} strokeWidth={1.5} />
      )}
      {lines.map((line, place) => (
        <Words
          key={line}
          x={label[0]}
          y={span.upright ? label[1] - 1 - (lines.length - 1 - place) * 16 : label[1]}
          textAnchor={span.upright ? "end" : "middle"}
          fontSize={15}
          fontWeight={600}
          fill={ink}
          halo
        >
          {line}
        </Words>
      ))}
      {lines.length > 0 && (
        <Words
          x={label[0]}
          y={span.upright ? label[1] + 13 : label[1] + 17}
          textAnchor={span.upright ? "end" : "middle"}
          fontSize={13}
          fill={ink2}
          halo
        >
          EV {pin.ev_text}
          {pin.doubt_text && ` ${pin.doubt_text}`}
          {word && !span.upright && ` · ${word}`}
        </Words>
      )}
    </g>
  );
}
