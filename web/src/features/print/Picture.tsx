import { Box } from "@chakra-ui/react";
import {
  type KeyboardEvent,
  memo,
  type PointerEvent,
  useEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import { useSize } from "../../components/useSize";
import { useLatest } from "../../shared/useLatest";
import { levelsOf, type Mask, maskOf, Preview } from "./applied";
import {
  type Area,
  areaSteps,
  type Point,
  type Print,
  preview,
  type Shape,
  type Worked,
} from "./queries";
import { middleOf, pathOf } from "./shapes";

const MOST_PIXELS = 2_000_000;
const FRAME_LEVEL = 150; // a plain frame, where there is no picture
const STEP = 0.01;
const PLAIN = Array.from({ length: 256 }, (_, level) => level); // as it was scanned

export interface Drawing {
  kind: Shape["kind"];
  points: Point[];
}

/** The picture as this plan prints, with its areas; shapes are drawn on it by a few touches. */
export function Picture({
  source,
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
        <Shown
          source={source}
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
        areas.map((each) => {
          const at = each.shape ? middleOf(each.shape) : null;
          if (!at) return null;
          return (
            <button
              type="button"
              className="area"
              key={each.id}
              aria-pressed={each.id === chosen}
              aria-label={`${each.label}, ${amounts.get(each.id) ?? ""}`}
              style={{
                left: `${100 * Math.min(0.93, Math.max(0.07, at.x))}%`,
                top: `${100 * Math.min(0.95, Math.max(0.05, at.y))}%`,
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

/** The greys themselves; tables that arrive draw nothing but them. */
const Shown = memo(function Shown({
  source,
  width,
  height,
  print,
  negative,
  chosen,
}: {
  source: string | null;
  width: number;
  height: number;
  print: Print;
  negative: boolean;
  /** the area that may be dragged */
  chosen: string | null;
}) {
  const found = useLatest(print, preview);
  const { areas } = print.plan;
  const dragged = useDragged(print, chosen);
  const tables = useMemo(() => {
    if (negative || !found) return undefined;
    if (!dragged) return found;
    const others = found.areas.filter((each) => each.id !== dragged.id);
    return { ...found, areas: [...others, dragged] };
  }, [negative, found, dragged]);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [image, setImage] = useState<HTMLImageElement | null>(null);
  useEffect(() => {
    if (!source) return setImage(null);
    let here = true;
    const loading = new Image();
    loading.onload = () => here && setImage(loading);
    loading.src = source;
    return () => {
      here = false;
    };
  }, [source]);
  const sharp = Math.min(window.devicePixelRatio || 1, Math.sqrt(MOST_PIXELS / (width * height)));
  const [w, h] = [Math.max(1, Math.round(width * sharp)), Math.max(1, Math.round(height * sharp))];
  const levels = useMemo(() => {
    const drawn = document.createElement("canvas");
    drawn.width = w;
    drawn.height = h;
    const pen = drawn.getContext("2d", { willReadFrequently: true });
    if (!pen || !image) return new Uint8Array(w * h).fill(FRAME_LEVEL);
    pen.drawImage(image, 0, 0, w, h);
    return levelsOf(pen.getImageData(0, 0, w, h).data);
  }, [image, w, h]);
  const known = useRef(new Map<string, Mask>());
  const masks = useMemo(() => {
    const found = new Map<string, Mask>();
    for (const each of areas) {
      if (!each.shape) continue;
      const key = `${each.id} ${w} ${h} ${JSON.stringify(each.shape)}`;
      found.set(key, known.current.get(key) ?? maskOf(each.id, each.shape, w, h));
    }
    known.current = found;
    return areas.flatMap((each) => {
      const mask = each.shape && found.get(`${each.id} ${w} ${h} ${JSON.stringify(each.shape)}`);
      return mask ? [mask] : [];
    });
  }, [areas, w, h]);
  const shown = useMemo(() => {
    const image = new ImageData(w, h);
    return { image, preview: new Preview(levels, w, new Uint32Array(image.data.buffer)) };
  }, [levels, w, h]);
  const drawn = useRef<typeof shown | null>(null);
  useEffect(() => {
    const pen = canvas.current?.getContext("2d");
    if (!pen) return;
    const dirty = shown.preview.show(tables?.base ?? PLAIN, masks, tables?.areas ?? []);
    const whole = drawn.current !== shown;
    drawn.current = shown;
    if (whole) pen.putImageData(shown.image, 0, 0);
    else if (dirty)
      pen.putImageData(shown.image, 0, 0, dirty.left, dirty.top, dirty.width, dirty.height);
  }, [shown, tables, masks]);
  return (
    <canvas
      ref={canvas}
      width={w}
      height={h}
      data-preview
      aria-hidden
      style={{ width, height, display: "block", pointerEvents: "none" }}
    />
  );
});

/** The greys of the area that is dragged, at once: the tables of every amount are there beforehand,
    asked for again when anything but its amount changes. */
function useDragged(print: Print, chosen: string | null) {
  const area = print.plan.areas.find((each) => each.id === chosen);
  const amount = area ? (area.stops ?? area.seconds ?? 0) : 0;
  const still =
    area &&
    JSON.stringify({
      ...print.plan,
      areas: [{ ...area, stops: area.stops === null, seconds: null }],
    });
  const latest = useRef(print);
  latest.current = print;
  const asked = useMemo(
    () => (still && chosen ? { print: latest.current, area_id: chosen } : null),
    [still, chosen],
  );
  const steps = useLatest(asked, async (of: NonNullable<typeof asked>) => ({
    id: of.area_id,
    of,
    steps: await areaSteps(of),
  }));
  return useMemo(() => {
    if (!steps || steps.of !== asked || steps.steps.length === 0) return null;
    const near = steps.steps.reduce((best, each) =>
      Math.abs(each.amount - amount) < Math.abs(best.amount - amount) ? each : best,
    );
    return Math.abs(near.amount - amount) < 0.05 ? { id: steps.id, greys: near.greys } : null;
  }, [steps, asked, amount]);
}
