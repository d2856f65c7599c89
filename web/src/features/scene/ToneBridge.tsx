import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, type SVGProps, useRef, useState } from "react";
import { useSize } from "../../components/useSize";
import { GREYS, ZONES } from "../../components/zones";
import { along, lanes, type RailSpan, spread, toneAt } from "./bridge";
import type { Fall } from "./queries";

export interface BridgePin extends Fall {
  label: string;
}

interface Props {
  pins: BridgePin[];
  pinned: string | null;
  high: string | null;
  range: [number, number];
  nText: string;
  upright: boolean;
  onPlace: (id: string, zone: number, done: boolean) => Promise<void>;
  onTarget: (zone: number, done: boolean) => void;
  onOpen: (id: string) => void;
}

const ink = "var(--chakra-colors-ink)";
const ink2 = "var(--chakra-colors-ink2)";
const accent = "var(--chakra-colors-accent)";
const onAccent = "var(--chakra-colors-on-accent)";
const paper = "var(--chakra-colors-paper)";
const ochre = "var(--chakra-colors-ochre)";
const LOST = {
  shadow: "shadow texture lost",
  highlight: "highlight texture lost",
  "": "",
} as const;

const HALO = {
  paintOrder: "stroke",
  stroke: paper,
  strokeWidth: 4,
  strokeLinejoin: "round",
} as const;

/** Text in the drawing; set by style, since the page's reset outweighs attributes. */
function Words({
  fontSize,
  fontWeight = 400,
  halo,
  ...rest
}: SVGProps<SVGTextElement> & { fontSize: number; halo?: boolean }) {
  return <text {...rest} style={{ fontSize, fontWeight, ...(halo ? HALO : {}) }} />;
}

/** Two rails: the tones as the light falls, and as the print shows them after development. */
export function ToneBridge(props: Props) {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <Box
      ref={ref}
      flex="1"
      minHeight={props.upright ? "250px" : "300px"}
      minWidth="0"
      position="relative"
    >
      {size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label="Tone bridge: readings as the light falls, and as the print shows them"
          style={{ position: "absolute", inset: 0, touchAction: "pan-y", userSelect: "none" }}
        >
          <Drawing {...props} width={size.width} height={size.height} />
        </svg>
      )}
    </Box>
  );
}

/** The pin under the hand leads and all others move with it; the core's answer catches up. */
function Drawing(props: Props & { width: number; height: number }) {
  const [lead, setLead] = useState<{ id: string; zone: number } | null>(null);
  const led = lead && props.pins.find((pin) => pin.id === lead.id);
  const shift = lead && led ? lead.zone - led.zone : 0;
  const pins = shift ? props.pins.map((pin) => ({ ...pin, zone: pin.zone + shift })) : props.pins;
  const place = async (id: string, zone: number, done: boolean) => {
    setLead({ id, zone });
    await props.onPlace(id, zone, done);
    if (done) setLead(null);
  };
  const moved = { ...props, pins, onPlace: place };
  return props.upright ? <Upright {...moved} /> : <Level {...moved} />;
}

function Level({
  pins,
  width,
  height,
  range,
  high,
  nText,
  ...rest
}: Props & { width: number; height: number }) {
  const cell = (width - 28) / 11;
  const span: RailSpan = { start: 14, cell, upright: false };
  const rail = Math.max(30, Math.min(46, height * 0.1));
  const bottom = height - 108 - rail;
  const top = Math.max(64, Math.min(height * 0.36, bottom - rail - 90));
  const wanted = pins.map((pin) => {
    const width_ = Math.max(pin.label.length * 8.2, 74) + 6;
    const at = along(span, pin.zone);
    return { at: Math.max(width_ / 2, Math.min(width - width_ / 2, at)), width: width_ };
  });
  const room = Math.max(1, Math.floor((top - 58) / 44) + 1);
  const lane = lanes(wanted, Math.min(room, 4));
  const highPin = pins.find((pin) => pin.id === high);
  return (
    <>
      <Rail span={span} at={top} thickness={rail} named />
      <Rail span={span} at={bottom} thickness={rail} />
      <Words x={14} y={top + rail + 20} fontSize={13} fill={ink2}>
        as the light falls
      </Words>
      <Words x={14} y={bottom - 10} fontSize={13} fill={ink2} halo>
        as the print shows it
      </Words>
      {pins.map((pin) => {
        const from = along(span, pin.zone);
        const to = along(span, pin.lands);
        const half = (bottom - top - rail) / 2;
        return (
          <Strand
            key={pin.id}
            d={`M${from},${top + rail} C${from},${top + rail + half} ${to},${bottom - half} ${to},${bottom}`}
            end={[to, bottom]}
            pin={pin}
            pinned={pin.id === rest.pinned}
            upright={false}
          />
        );
      })}
      <Texture span={span} at={bottom + rail + 8} range={range} />
      {pins.map((pin, index) => (
        <Pin
          key={pin.id}
          pin={pin}
          span={span}
          at={along(span, pin.zone)}
          head={top - 40 - (lane[index] ?? 0) * 44}
          foot={top}
          label={[wanted[index]?.at ?? 0, top - 72 - (lane[index] ?? 0) * 44]}
          isHigh={pin.id === high}
          {...rest}
        />
      ))}
      <Handle
        span={span}
        pin={highPin}
        nText={nText}
        base={bottom + rail}
        at={bottom + rail + 40}
        onTarget={rest.onTarget}
      />
    </>
  );
}

function Upright({
  pins,
  width,
  height,
  range,
  high,
  nText,
  ...rest
}: Props & { width: number; height: number }) {
  const cell = (height - 8) / 11;
  const span: RailSpan = { start: 4, cell, upright: true };
  const rail = 42;
  const left = Math.round(width * 0.42);
  const right = width - 66;
  const heads = spread(
    pins.map((pin) => along(span, pin.zone)),
    30,
    16,
    height - 16,
  );
  const highPin = pins.find((pin) => pin.id === high);
  return (
    <>
      <Rail span={span} at={left} thickness={rail} named />
      <Rail span={span} at={right} thickness={rail} />
      {pins.map((pin) => {
        const from = along(span, pin.zone);
        const to = along(span, pin.lands);
        const half = (right - left - rail) / 2;
        return (
          <Strand
            key={pin.id}
            d={`M${left + rail},${from} C${left + rail + half},${from} ${right - half},${to} ${right},${to}`}
            end={[right, to]}
            pin={pin}
            pinned={pin.id === rest.pinned}
            upright
          />
        );
      })}
      <Texture span={span} at={right + rail + 10} range={range} />
      {pins.map((pin, index) => (
        <Pin
          key={pin.id}
          pin={pin}
          span={span}
          at={along(span, pin.zone)}
          head={left - 26}
          foot={left}
          slid={heads[index] ?? 0}
          label={[left - 42, heads[index] ?? 0]}
          isHigh={pin.id === high}
          {...rest}
        />
      ))}
      <Handle
        span={span}
        pin={highPin}
        nText={nText}
        base={right + rail / 2}
        at={right + rail / 2 - 29}
        onTarget={rest.onTarget}
      />
    </>
  );
}

function Rail({
  span,
  at,
  thickness,
  named,
}: {
  span: RailSpan;
  at: number;
  thickness: number;
  named?: boolean;
}) {
  return (
    <g aria-hidden>
      {ZONES.map((name, zone) => {
        const middle = along(span, zone);
        const box = span.upright
          ? { x: at, y: middle - span.cell / 2, width: thickness, height: span.cell + 0.5 }
          : { x: middle - span.cell / 2, y: at, width: span.cell + 0.5, height: thickness };
        return (
          <g key={name}>
            <rect {...box} fill={GREYS[zone]} />
            {named && (
              <Words
                x={span.upright ? at + thickness / 2 : middle}
                y={(span.upright ? middle : at + thickness / 2) + 5}
                textAnchor="middle"
                fontSize={span.upright ? 14 : 16}
                fontWeight={600}
                fill={zone < 6 ? "#fff" : "#111"}
              >
                {name}
              </Words>
            )}
          </g>
        );
      })}
      <rect
        x={span.upright ? at : span.start}
        y={span.upright ? span.start : at}
        width={span.upright ? thickness : span.cell * 11}
        height={span.upright ? span.cell * 11 : thickness}
        fill="none"
        stroke="#8a8a8a"
      />
    </g>
  );
}

function Strand({
  d,
  end,
  pin,
  pinned,
  upright,
}: {
  d: string;
  end: [number, number];
  pin: BridgePin;
  pinned: boolean;
  upright: boolean;
}) {
  const [x, y] = end;
  const frays = [-7, 0, 7].map((off) =>
    upright ? `M${x - 14},${y} L${x - 1},${y + off}` : `M${x},${y - 14} L${x + off},${y - 1}`,
  );
  return (
    <g aria-hidden>
      <path
        d={d}
        fill="none"
        stroke={pin.lost ? ochre : accent}
        strokeWidth={pinned ? 3 : 2}
        strokeDasharray={pin.lost ? "7 4" : undefined}
      />
      {pin.lost ? (
        <>
          {frays.map((fray) => (
            <path key={fray} d={fray} stroke={ochre} strokeWidth={2} />
          ))}
          <Words
            x={upright ? x - 10 : x + (pin.lands > 8 ? -12 : 12)}
            y={upright ? y - 12 : y - 22}
            textAnchor={upright || pin.lands > 8 ? "end" : "start"}
            fontSize={13}
            fontWeight={600}
            fill={ochre}
            halo
          >
            {LOST[pin.lost]}
          </Words>
        </>
      ) : (
        <circle cx={x} cy={y} r={5} fill={accent} stroke={paper} strokeWidth={1.5} />
      )}
    </g>
  );
}

function Texture({ span, at, range }: { span: RailSpan; at: number; range: [number, number] }) {
  const half = span.cell / 2;
  const low = along(span, range[0]);
  const high = along(span, range[1]);
  if (span.upright) {
    return (
      <path
        d={`M${at},${high - half} h7 V${low + half} h-7`}
        fill="none"
        stroke={ink}
        strokeWidth={1.5}
      />
    );
  }
  return (
    <g>
      <path
        d={`M${low - half},${at} v8 H${high + half} v-8`}
        fill="none"
        stroke={ink}
        strokeWidth={1.5}
      />
      <Words
        x={(low + high) / 2 - span.cell * 1.6}
        y={at + 26}
        textAnchor="middle"
        fontSize={13}
        fill={ink2}
      >
        texture this film holds, {ZONES[Math.round(range[0])]} to {ZONES[Math.round(range[1])]}
      </Words>
    </g>
  );
}

const shortened = (label: string) => (label.length > 14 ? `${label.slice(0, 12)}…` : label);

const ARROWS: Record<string, number> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 };

function Pin({
  pin,
  span,
  at,
  head,
  foot,
  slid,
  label,
  isHigh,
  pinned,
  onPlace,
  onOpen,
}: {
  pin: BridgePin;
  span: RailSpan;
  at: number;
  head: number;
  foot: number;
  slid?: number;
  label: [number, number];
  isHigh: boolean;
  pinned: string | null;
  onPlace: Props["onPlace"];
  onOpen: Props["onOpen"];
}) {
  const placed = pin.id === pinned;
  const drag = useDrag(
    span,
    (zone, done) => onPlace(pin.id, zone, done),
    () => onOpen(pin.id),
    3,
  );
  const pressed = (event: KeyboardEvent) => {
    const step = ARROWS[event.key];
    if (step) {
      event.preventDefault();
      const zone = Math.round((pin.zone + step / (event.shiftKey ? 1 : 3)) * 3) / 3;
      onPlace(pin.id, Math.max(0, Math.min(10, zone)), true);
    } else if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      onOpen(pin.id);
    }
  };
  const [cx, cy] = span.upright ? [head, slid ?? at] : [at, head];
  const stem = span.upright ? `M${cx},${cy} L${foot},${at}` : `M${at},${head} V${foot}`;
  const word = placed ? "placed" : isHigh ? "highlight" : "";
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${pin.label}${placed ? ", placed" : ""}`}
      aria-valuemin={0}
      aria-valuemax={10}
      aria-valuenow={Math.round(pin.zone * 100) / 100}
      aria-valuetext={`EV ${pin.ev_text}, ${placed ? "placed" : "falls"} on ${pin.zone_text}, printed as ${pin.lands_text}${pin.lost ? `, ${LOST[pin.lost]}` : ""}`}
      data-pin={pin.label}
      onKeyDown={pressed}
      {...drag}
      style={{ cursor: "grab", outlineOffset: 2, touchAction: "none" }}
    >
      <path d={stem} stroke={ink} strokeWidth={placed ? 2.5 : 1.5} fill="none" />
      {placed && !span.upright && <path d={`M${at - 9},${foot - 2} h18 l-9,12 z`} fill={accent} />}
      <circle cx={cx} cy={cy} r={22} fill="transparent" />
      <circle
        cx={cx}
        cy={cy}
        r={placed ? 10 : 9}
        fill={placed ? accent : paper}
        stroke={placed ? accent : ink}
        strokeWidth={2}
      />
      {placed && <circle cx={cx} cy={cy} r={3.5} fill={onAccent} />}
      {isHigh && !placed && (
        <circle cx={cx} cy={cy} r={4} fill="none" stroke={ink} strokeWidth={1.5} />
      )}
      <Words
        x={label[0]}
        y={span.upright ? label[1] - 1 : label[1]}
        textAnchor={span.upright ? "end" : "middle"}
        fontSize={15}
        fontWeight={600}
        fill={ink}
        halo
      >
        {span.upright ? shortened(pin.label) : pin.label}
      </Words>
      <Words
        x={label[0]}
        y={span.upright ? label[1] + 13 : label[1] + 17}
        textAnchor={span.upright ? "end" : "middle"}
        fontSize={13}
        fill={ink2}
        halo
      >
        EV {pin.ev_text}
        {word && !span.upright && ` · ${word}`}
      </Words>
    </g>
  );
}

function Handle({
  span,
  pin,
  nText,
  base,
  at,
  onTarget,
}: {
  span: RailSpan;
  pin: BridgePin | undefined;
  nText: string;
  base: number;
  at: number;
  onTarget: Props["onTarget"];
}) {
  const drag = useDrag(span, onTarget, () => undefined, 2);
  const zone = pin ? pin.lands : 8;
  const where = along(span, zone);
  const pressed = (event: KeyboardEvent) => {
    const step = ARROWS[event.key];
    if (!step || !pin) return;
    event.preventDefault();
    onTarget(Math.max(4, Math.min(10, Math.round((zone + step / 2) * 2) / 2)), true);
  };
  const pill = <Pill span={span} where={where} base={base} at={at} nText={nText} />;
  const [x, y] = [where - 34, at];
  const hintLeft = where > span.cell * 7;
  const hint = (text: string) =>
    !span.upright && (
      <Words
        x={hintLeft ? x - 10 : x + 78}
        y={y + 22}
        textAnchor={hintLeft ? "end" : "start"}
        fontSize={13}
        fill={ink2}
      >
        {text}
      </Words>
    );
  if (!pin) {
    return (
      <g>
        {pill}
        {hint("a second reading decides N")}
      </g>
    );
  }
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`Development ${nText}`}
      aria-valuemin={4}
      aria-valuemax={10}
      aria-valuenow={Math.round(zone * 100) / 100}
      aria-valuetext={`${nText}: ${pin.label} printed as ${pin.lands_text}`}
      data-handle
      onKeyDown={pressed}
      {...drag}
      style={{ cursor: "grab", touchAction: "none" }}
    >
      {pill}
      {hint(`pull ${pin.label} to another tone`)}
    </g>
  );
}

function Pill({
  span,
  where,
  base,
  at,
  nText,
}: {
  span: RailSpan;
  where: number;
  base: number;
  at: number;
  nText: string;
}) {
  const [width, height] = span.upright ? [58, 28] : [68, 34];
  const [x, y] = span.upright ? [at, where - 14] : [where - 34, at];
  return (
    <>
      {!span.upright && <path d={`M${where},${base} V${at}`} stroke={accent} strokeWidth={2} />}
      <rect x={x - 6} y={y - 8} width={width + 12} height={height + 16} fill="transparent" />
      <rect x={x} y={y} width={width} height={height} rx={14} fill={accent} stroke={paper} />
      <Words
        x={x + width / 2}
        y={y + height / 2 + 6}
        textAnchor="middle"
        fontSize={16}
        fontWeight={650}
        fill={onAccent}
      >
        {nText}
      </Words>
    </>
  );
}

/** Dragging along a rail: every tone passed while moving, the last one when let go, a tap when still. */
function useDrag(
  span: RailSpan,
  moved: (zone: number, done: boolean) => void,
  tapped: () => void,
  steps: number,
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
      const zone = toneAt(span, here, event.altKey ? null : steps);
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
