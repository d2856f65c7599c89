/** Where one looks and how near, the same in every picture: the middle, as shares of its width and
    height, and how much of its width is in sight. */
export interface Look {
  x: number;
  y: number;
  width: number;
}

export interface Size {
  width: number;
  height: number;
}

/** One of a picture's tiles and where it lies, in points of the picture as it was scanned. */
export interface Tile {
  level: number;
  column: number;
  row: number;
  left: number;
  top: number;
  side: number;
}

export const WHOLE: Look = { x: 0.5, y: 0.5, width: 1 };
const NEAREST = 0.004;

/** So much of the width is in sight when the whole picture is: more than all of it in a pane that is
    wider than the picture. */
export const wholeIn = (picture: Size, pane: Size) => Math.max(1, 1 / tallness(picture, pane));

/** How many points of the window a point of the picture takes up. */
export const scaleOf = (look: Look, picture: Size, pane: Size) =>
  pane.width / (look.width * picture.width);

/** A look that shows nothing beside the picture as long as it need not, and no more than `most` of
    its width. */
export function held({ x, y, width }: Look, most = 1): Look {
  const near = Math.min(most, Math.max(NEAREST, width));
  if (near >= most) return { x: 0.5, y: 0.5, width: most };
  const half = Math.min(near, 1) / 2;
  return {
    x: Math.min(1 - half, Math.max(half, x)),
    y: Math.min(1, Math.max(0, y)),
    width: near,
  };
}

/** Nearer by so many times, with the point of the pane that is under the hand staying where it is
    (`atX`, `atY` −½…½ from the pane's middle, in its width and height). */
export function nearer(
  look: Look,
  times: number,
  { atX = 0, atY = 0, tall = 1 }: { atX?: number; atY?: number; tall?: number } = {},
  most = 1,
): Look {
  const width = Math.min(most, Math.max(NEAREST, look.width / times));
  const gone = look.width - width;
  return held({ x: look.x + atX * gone, y: look.y + atY * gone * tall, width }, most);
}

/** How much of a picture's height is in sight where so much of its width is. */
export const tallness = (picture: Size, pane: Size) =>
  (pane.height / pane.width) * (picture.width / picture.height);

/** How many points of the scan a point of a tile is, each way. */
export const coarseness = (level: number) => 2 ** level;

const A_NOTCH = 1.0018; // nearer by so much for each unit of a wheel

/** How many times nearer a turn of the wheel brings it. */
export const turned = (delta: number) => A_NOTCH ** -delta;

/** The size of tiles to show: as fine as the window's points, never finer. */
export function levelFor(scale: number, levels: number, ratio: number) {
  const wanted = Math.floor(Math.log2(1 / (scale * ratio)) + 0.001);
  return Math.min(levels - 1, Math.max(0, wanted));
}

/** The tiles of one size that are in sight. */
export function inSight(look: Look, picture: Size, pane: Size, level: number, tilePx: number) {
  const scale = scaleOf(look, picture, pane);
  const side = tilePx * coarseness(level);
  const half = { x: pane.width / scale / 2, y: pane.height / scale / 2 };
  const middle = { x: look.x * picture.width, y: look.y * picture.height };
  const first = (at: number) => Math.max(0, Math.floor(at / side));
  const last = (at: number, size: number) =>
    Math.min(Math.ceil(size / side) - 1, Math.floor(at / side));
  const found: Tile[] = [];
  for (
    let row = first(middle.y - half.y);
    row <= last(middle.y + half.y, picture.height);
    row += 1
  ) {
    for (
      let column = first(middle.x - half.x);
      column <= last(middle.x + half.x, picture.width);
      column += 1
    ) {
      found.push({ level, column, row, left: column * side, top: row * side, side });
    }
  }
  return found;
}
