import { curveCatmullRomClosed, line } from "d3-shape";
import type { Point, Shape } from "./queries";

/* Geometry of drawing: where an area lies on a picture of so many pixels. */

const smooth = line<[number, number]>().curve(curveCatmullRomClosed.alpha(0.5));
const FAR = 4; // pictures beyond the edge: as far as a half plane need reach

type At = [number, number];

/** The outline of a shape as an SVG path. A vignette has its hole as a second ring (even-odd). */
export function pathOf(shape: Shape, width: number, height: number): string {
  const at = shape.points.map((each): At => [each.x * width, each.y * height]);
  const [one, two] = at;
  if (!one) return "";
  switch (shape.kind) {
    case "outline":
      return at.length < 3 ? `M${at.map((each) => each.join(" ")).join("L")}` : (smooth(at) ?? "");
    case "circle": {
      if (!two) return "";
      const r = Math.hypot(two[0] - one[0], two[1] - one[1]);
      return ring(one, r, r);
    }
    case "edge":
      return two ? beyond(one, two, width, height) : "";
    case "corner": {
      const [cx, cy] = [one[0] < width / 2 ? 0 : width, one[1] < height / 2 ? 0 : height];
      return `M${cx} ${cy}L${one[0]} ${cy}Q${one[0]} ${one[1]} ${cx} ${one[1]}Z`;
    }
    case "vignette": {
      const middle: At = [width / 2, height / 2];
      const [rx, ry] = oval(one, middle);
      return `M0 0H${width}V${height}H0Z${ring(middle, rx, ry)}`;
    }
  }
}

/** Where the label of a shape stands, as shares of the picture. */
export function middleOf(shape: Shape): Point {
  const { points } = shape;
  const [one] = points;
  if (!one) return { x: 0.5, y: 0.5 };
  if (shape.kind === "circle") return one;
  if (shape.kind === "vignette") return { x: 0.5, y: 0.06 };
  if (shape.kind === "corner")
    return { x: (one.x + (one.x < 0.5 ? 0 : 1)) / 2, y: (one.y + (one.y < 0.5 ? 0 : 1)) / 2 };
  const sum = points.reduce((a, b) => ({ x: a.x + b.x, y: a.y + b.y }), { x: 0, y: 0 });
  const middle = { x: sum.x / points.length, y: sum.y / points.length };
  if (shape.kind !== "edge") return middle;
  return { x: middle.x + (middle.x - 0.5) * 0.25, y: middle.y + (middle.y - 0.5) * 0.25 };
}

/** How many touches a shape takes; an outline is closed by hand. */
export const TOUCHES: Record<Shape["kind"], number> = {
  outline: 40,
  circle: 2,
  edge: 2,
  corner: 1,
  vignette: 1,
};

function ring([x, y]: At, rx: number, ry: number): string {
  return `M${x - rx} ${y}A${rx} ${ry} 0 1 0 ${x + rx} ${y}A${rx} ${ry} 0 1 0 ${x - rx} ${y}Z`;
}

/** The half axes of an oval of the picture's own proportions through a point. */
function oval([x, y]: At, [cx, cy]: At): At {
  const reach = Math.hypot((x - cx) / cx, (y - cy) / cy);
  return [Math.max(cx * reach, 1), Math.max(cy * reach, 1)];
}

/** All that lies beyond a line, away from the middle of the picture. */
function beyond(one: At, two: At, width: number, height: number): string {
  const [dx, dy] = [two[0] - one[0], two[1] - one[1]];
  const length = Math.hypot(dx, dy) || 1;
  const far = FAR * Math.max(width, height);
  const along: At = [(dx / length) * far, (dy / length) * far];
  let away: At = [-along[1], along[0]];
  const toMiddle = (width / 2 - one[0]) * away[0] + (height / 2 - one[1]) * away[1];
  if (toMiddle > 0) away = [-away[0], -away[1]];
  const a: At = [one[0] - along[0], one[1] - along[1]];
  const b: At = [two[0] + along[0], two[1] + along[1]];
  const corners = [a, b, [b[0] + away[0], b[1] + away[1]], [a[0] + away[0], a[1] + away[1]]];
  return `M${corners.map((each) => each.join(" ")).join("L")}Z`;
}
