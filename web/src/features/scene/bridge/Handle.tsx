import type { KeyboardEvent } from "react";
import { heldTo } from "../../../components/heldTo";
import { HANDLES } from "../../../service/service";
import { along, type RailSpan } from "./geometry";
import { accent, ink2, onAccent, paper, Words } from "./ink";
import type { BridgePin, BridgeProps } from "./props";
import { ARROWS, useDrag } from "./useDrag";

/** N: pull the important highlight to the tone the print should give it. */
export function Handle({
  span,
  pin,
  nText,
  noN,
  base,
  at,
  onTarget,
}: {
  span: RailSpan;
  pin: BridgePin | undefined;
  nText: string;
  noN: string;
  base: number;
  at: number;
  onTarget: BridgeProps["onTarget"];
}) {
  const zone = pin ? pin.lands : 8;
  const drag = useDrag(span, zone, onTarget, () => undefined, HANDLES.print_zone);
  const where = along(span, zone);
  const pressed = (event: KeyboardEvent) => {
    const step = ARROWS[event.key];
    if (!step || !pin) return;
    event.preventDefault();
    onTarget(heldTo(HANDLES.print_zone, zone + step * HANDLES.print_zone.step), true);
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
  if (!pin || noN) {
    return (
      <g>
        {pill}
        {hint(noN || "add a second reading for N")}
      </g>
    );
  }
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`Development ${nText}`}
      aria-orientation={span.upright ? "vertical" : "horizontal"}
      aria-valuemin={HANDLES.print_zone.lowest}
      aria-valuemax={HANDLES.print_zone.highest}
      aria-valuenow={zone}
      aria-valuetext={`${nText}: ${pin.label} printed as ${pin.lands_text}`}
      data-handle
      onKeyDown={pressed}
      {...drag}
      style={{ cursor: "grab", touchAction: "none" }}
    >
      {pill}
      {hint(`drag to set the print zone of ${pin.label}`)}
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
