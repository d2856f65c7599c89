import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import { useSize } from "../../components/useSize";
import { Greys } from "./Greys";
import type { Area, Point, Print, Shape, Worked } from "./queries";
import { middleOf, pathOf } from "./shapes";

const STEP = 0.01;

export interface Drawing {
  kind: Shape["kind"];
  points: Point[];
}

/** The picture as this plan prints, with its areas; shapes are drawn on it by a few touches. */
export function Picture({
  source,
  byScene,
  ratio,
  print,
  negative,
  areas,
  worked,
  chosen,
  choose,
  drawing,
  put,
  marks,
}: {
  /** the picture's address; none: a plain frame */
  source: string | null;
  /** it is the scene's, not the negative's */
  byScene: boolean;
  ratio: number;
  /** the print the picture is shown as */
  print: Print;
  /** the picture as it was scanned, without any plan */
  negative: boolean;
  areas: Area[];
  /** what each area gets, in words */
  worked: Worked["areas"];
  chosen: string | null;
  choose: (id: string | null) => void;
  drawing: Drawing | null;
  put: (at: Point) => void;
  marks: { x: number; y: number; says: string }[];
}) {
  const [ref, size] = useSize<HTMLDivElement>();
  const width = size?.width ?? 0;
  const height = Math.round(width / ratio);
  const { mask } = print.plan.sheet;
  const amounts = new Map(worked.map((each) => [each.id, each.text]));
  const [cross, setCross] = useState<Point>({ x: 0.5, y: 0.5 });
  const placed = (event: PointerEvent<HTMLElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    return {
      x: Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)),
      y: Math.min(1, Math.max(0, (event.clientY - box.top) / box.height)),
    };
  };
  const keyed = (event: KeyboardEvent) => {
    if (!drawing || event.target !== event.currentTarget) return;
    const by = event.shiftKey ? 5 * STEP : STEP;
    const [x, y] = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    }[event.key] ?? [0, 0];
    if (x || y) {
      event.preventDefault();
      const held = (value: number) => Math.min(1, Math.max(0, value));
      setCross({ x: held(cross.x + (x ?? 0)), y: held(cross.y + (y ?? 0)) });
    } else if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      put(cross);
    }
  };
  const shape: Shape | null = drawing?.points.length ? { ...drawing, feather: 0 } : null;
  return (
    <Box
      ref={ref}
      position="relative"
      role={drawing ? "application" : "group"}
      tabIndex={drawing ? 0 : undefined}
      aria-label={
        drawing
          ? `Drawing: ${drawing.points.length} points; arrow keys move the cross, Enter puts a point`
          : "The picture with its areas"
      }
      style={{ aspectRatio: ratio, touchAction: drawing ? "none" : "auto" }}
      background="#777"
      border="1px solid"
      borderColor="line"
      cursor={drawing ? "crosshair" : "default"}
      css={{
        "& .area": {
          position: "absolute",
          transform: "translate(-50%, -50%)",
          minHeight: "30px",
          paddingInline: "3",
          borderRadius: "999px",
          border: "2px solid",
          borderColor: "accent",
          background: "sheet",
          color: "ink",
          fontSize: "14px",
          cursor: "pointer",
          whiteSpace: "nowrap",
        },
      }}
      onKeyDown={keyed}
      onPointerDown={(event) => {
        if (!drawing || event.target !== event.currentTarget) return;
        put(placed(event));
      }}
      onPointerMove={(event) => drawing && setCross(placed(event))}
    >
      {width > 0 && (
        <Greys
          source={source}
          byScene={byScene}
          width={width}
          height={height}
          print={print}
          negative={negative}
          chosen={chosen}
        />
      )}
      {width > 0 && (
        <svg
          width={width}
          height={height}
          aria-hidden
          style={{ position: "absolute", inset: 0, pointerEvents: "none", overflow: "hidden" }}
        >
          <path
            data-mask
            d={`M0 0H${width}V${height}H0ZM${mask.left * width} ${mask.top * height}H${(1 - mask.right) * width}V${(1 - mask.bottom) * height}H${mask.left * width}Z`}
            fillRule="evenodd"
            fill="var(--chakra-colors-paper)"
            fillOpacity={0.85}
          />
          {areas.map(
            (each) =>
              each.shape && (
                <g key={each.id}>
                  <path
                    d={pathOf(each.shape, width, height)}
                    fill="none"
                    stroke="#fff"
                    strokeWidth={each.id === chosen ? 5 : 4}
                  />
                  <path
                    d={pathOf(each.shape, width, height)}
                    fill="none"
                    stroke="var(--chakra-colors-accent)"
                    strokeWidth={each.id === chosen ? 3 : 2}
                    strokeDasharray={each.act === "dodge" ? "7 5" : undefined}
                  />
                </g>
              ),
          )}
          {shape && (
            <path
              d={pathOf(shape, width, height)}
              fill="none"
              stroke="var(--chakra-colors-ochre)"
              strokeWidth={3}
            />
          )}
          {drawing?.points.map((each, place) => (
            <circle
              // biome-ignore lint/suspicious/noArrayIndexKey: points have no other name
              key={place}
              cx={each.x * width}
              cy={each.y * height}
              r={5}
              fill="#fff"
              stroke="var(--chakra-colors-ochre)"
              strokeWidth={2}
            />
          ))}
          {drawing && (
            <path
              d={`M${cross.x * width - 9} ${cross.y * height}h18M${cross.x * width} ${cross.y * height - 9}v18`}
              stroke="var(--chakra-colors-ochre)"
              strokeWidth={2}
            />
          )}
        </svg>
      )}
      {!drawing &&
        areas.map((each, place) => {
          const at = each.shape ? middleOf(each.shape) : null;
          if (!at) return null;
          const drawn = JSON.stringify(each.shape);
          // the same shape worked again stands under the first
          const under = areas.slice(0, place).filter((one) => JSON.stringify(one.shape) === drawn);
          return (
            <button
              type="button"
              className="area"
              key={each.id}
              aria-pressed={each.id === chosen}
              aria-label={`${each.label}, ${amounts.get(each.id) ?? ""}`}
              style={{
                left: `${100 * Math.min(0.93, Math.max(0.07, at.x))}%`,
                top: `calc(${100 * Math.min(0.95, Math.max(0.05, at.y))}% + ${36 * under.length}px)`,
              }}
              onClick={() => choose(each.id === chosen ? null : each.id)}
            >
              {each.label} <b>{amounts.get(each.id) ?? ""}</b>
            </button>
          );
        })}
      {marks.map((each) => (
        <Box
          key={`${each.x} ${each.y} ${each.says}`}
          position="absolute"
          left={`${100 * each.x}%`}
          top={`${100 * each.y}%`}
          transform="translate(-50%, -50%)"
          background="ochreSoft"
          color="ochre"
          border="1px solid"
          borderColor="ochre"
          paddingInline="2"
          borderRadius="4px"
          fontSize="13px"
          pointerEvents="none"
        >
          {each.says}
        </Box>
      ))}
    </Box>
  );
}
