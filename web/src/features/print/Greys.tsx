import { memo, useEffect, useMemo, useRef, useState } from "react";
import { levelsOf as lightOf } from "../../shared/picture/pixels";
import { useLatest } from "../../shared/useLatest";
import { levelsOf, type Mask, maskOf, Preview } from "./applied";
import { areaSteps, type Print, preview } from "./queries";

const SEEN_MS = 50;
const MOST_PIXELS = 2_000_000;
const FRAME_LEVEL = 150; // a plain frame, where there is no picture
const PLAIN = Array.from({ length: 256 }, (_, level) => level); // as it was scanned

/** The greys themselves; tables that arrive draw nothing but them. */
export const Greys = memo(function Greys({
  source,
  byScene,
  width,
  height,
  print,
  negative,
  chosen,
}: {
  source: string | null;
  byScene: boolean;
  width: number;
  height: number;
  print: Print;
  negative: boolean;
  /** the area that may be dragged */
  chosen: string | null;
}) {
  const found = useLatest(print, preview, SEEN_MS);
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
    // a scene's picture has its camera's shape: it fills the negative's; its levels are those of light
    const [across, down] = byScene ? [image.naturalWidth, image.naturalHeight] : [w, h];
    const scale = Math.max(w / across, h / down);
    const [wide, high] = [across * scale, down * scale];
    pen.drawImage(image, (w - wide) / 2, (h - high) / 2, wide, high);
    return (byScene ? lightOf : levelsOf)(pen.getImageData(0, 0, w, h).data);
  }, [image, byScene, w, h]);
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
      data-preview={tables && (image || !source) ? "print" : "waiting"}
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
