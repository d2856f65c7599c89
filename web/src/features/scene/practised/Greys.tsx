import { useLayoutEffect, useRef } from "react";
import { type Cells, inGreys } from "./drawn";

/** A scene's cells by a table of greys: as the light falls, or as a print. */
export function Greys({
  cells,
  moved,
  grey,
  label,
}: {
  cells: Cells;
  moved: readonly number[];
  grey: readonly number[];
  label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const pen = canvas.current?.getContext("2d");
    if (!pen || !grey.length) return;
    const sheet = pen.createImageData(cells.columns, cells.rows);
    inGreys(cells, moved, grey, new Uint32Array(sheet.data.buffer));
    pen.putImageData(sheet, 0, 0);
    canvas.current?.setAttribute("data-drawn", label);
  }, [cells, moved, grey, label]);
  return (
    <canvas
      ref={canvas}
      width={cells.columns}
      height={cells.rows}
      role="img"
      aria-label={label}
      style={{
        width: "100%",
        height: "100%",
        display: "block",
        imageRendering: cells.place ? "auto" : "pixelated",
      }}
    />
  );
}
