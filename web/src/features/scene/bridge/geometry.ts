/* Geometry of the tone bridge: where tones lie along a rail and where labels find room. */

export interface RailSpan {
  start: number;
  cell: number;
  /** true when the rail stands upright, shadows below */
  upright: boolean;
}

export const along = (span: RailSpan, zone: number) => {
  const held = Math.max(-0.42, Math.min(10.42, zone));
  return span.upright
    ? span.start + (10 - held + 0.5) * span.cell
    : span.start + (held + 0.5) * span.cell;
};

/** The tone under a point of the rail. */
export const toneAt = (span: RailSpan, position: number) => {
  const raw = (position - span.start) / span.cell - 0.5;
  return span.upright ? 10 - raw : raw;
};

const LANE = 44; // from one lane of labels to the next
const LABEL = 88; // of a label over its rail, with the pin between
/** Between the rails: as it should be, and as little as their words need. */
const [APART, LEAST_APART, WORDLESS] = [90, 56, 24];
const UNDER = 104; // the texture and the handle, under the lower rail

/** Where two rails lie in a height, how thick they are, and how many lanes of labels there is room
    for: on a low screen the rails come together before a name is cut off. */
export function heights(height: number, low = false) {
  const rail = Math.max(30, Math.min(46, height * 0.1));
  const bottom = height - UNDER - rail;
  const between = (apart: number) => bottom - rail - apart;
  const two = Math.min(LABEL + LANE, between(low ? WORDLESS : LEAST_APART));
  const top = Math.max(LABEL, two, Math.min(height * 0.36, between(APART)));
  return { rail, top, bottom, room: Math.min(4, Math.floor((top - LABEL) / LANE) + 1) };
}

/** Where a label stands over its rail. */
export const labelled = (top: number, lane: number) => ({
  head: top - 40 - lane * LANE,
  words: top - 72 - lane * LANE,
});

interface Label {
  at: number;
  width: number;
}
const LETTER = 8.2;
const LEAST = 74; // what the line under a name takes

const DOUBT = 30; // more, where a doubt stands there

export const widthOf = (name: string, doubted = false) =>
  Math.max(name.length * LETTER, LEAST + (doubted ? DOUBT : 0)) + 6;

/** Names as they have room beside those in their lane. */
export function fitted(names: string[], labels: Label[], lane: number[]): string[] {
  return names.map((name, index) => {
    const beside = labels.flatMap((each, other) =>
      other !== index && lane[other] === lane[index]
        ? [Math.abs(each.at - (labels[index]?.at ?? 0))]
        : [],
    );
    const letters = Math.max(4, Math.floor(Math.min(...beside, Number.MAX_SAFE_INTEGER) / LETTER));
    return shortened(name, letters);
  });
}

export const shortened = (name: string, letters: number) =>
  name.length > letters ? `${name.slice(0, letters - 2)}…` : name;

/** A name in one line, or in two where one is too narrow; what is longer still is cut. */
export function wrapped(name: string, letters: number): string[] {
  if (name.length <= letters) return [name];
  const words = name.split(" ");
  let first = words.shift() ?? "";
  while (words[0] && `${first} ${words[0]}`.length <= letters) first += ` ${words.shift()}`;
  return [first, words.join(" ")].filter(Boolean).map((line) => shortened(line, letters));
}

/** From so many readings on, not every one is named on the drawing. */
export const CROWD = 10;
const LOST_NAMED = 4;

interface Said {
  id: string;
  zone: number;
  lost: string;
}

/** Whose names stand on the drawing: everybody's; in a crowd the placed one's, the highlight's, the
    two ends' and those of the first that are lost. */
export function named(pins: Said[], pinned: string | null, high: string | null): Set<string> {
  if (pins.length <= CROWD) return new Set(pins.map((pin) => pin.id));
  const order = [...pins].sort((a, b) => a.zone - b.zone);
  const lost = order.filter((pin) => pin.lost).slice(0, LOST_NAMED);
  const ends = [order[0], order.at(-1)].flatMap((pin) => (pin ? [pin.id] : []));
  const chosen = [pinned, high].filter((id): id is string => id !== null);
  return new Set([...chosen, ...ends, ...lost.map((pin) => pin.id)]);
}

/** What is said where texture is lost: once for each side, with how many there are. */
export function lostSaid(pins: Said[], words: Record<string, string>): Map<string, string> {
  const said = new Map<string, string>();
  for (const side of ["shadow", "highlight"]) {
    const lost = pins.filter((pin) => pin.lost === side).sort((a, b) => a.zone - b.zone);
    const first = side === "shadow" ? lost.at(-1) : lost[0];
    if (first)
      said.set(
        first.id,
        lost.length > 1 ? `${lost.length} lost in the ${side}s` : (words[side] ?? ""),
      );
  }
  return said;
}

/** A lane for each label, lowest first, so that no two in a lane overlap while there are lanes. */
export function lanes(labels: Label[], limit: number): number[] {
  const ends: number[] = [];
  const order = labels
    .map((_, index) => index)
    .sort((a, b) => (labels[a]?.at ?? 0) - (labels[b]?.at ?? 0));
  const chosen = new Array<number>(labels.length).fill(0);
  for (const index of order) {
    const label = labels[index];
    if (!label) continue;
    const left = label.at - label.width / 2;
    let lane = ends.findIndex((end) => end <= left);
    if (lane < 0) lane = ends.length < limit ? ends.length : ends.indexOf(Math.min(...ends));
    ends[lane] = label.at + label.width / 2 + 6;
    chosen[index] = lane;
  }
  return chosen;
}

/** Positions pushed apart to at least a gap, as near to where they belong as that allows. */
export function spread(wanted: number[], gap: number, low: number, high: number): number[] {
  const order = wanted.map((_, index) => index).sort((a, b) => (wanted[a] ?? 0) - (wanted[b] ?? 0));
  const placed = order.map((index) => wanted[index] ?? 0);
  for (let pass = 0; pass < 40; pass++) {
    let moved = false;
    for (let k = 1; k < placed.length; k++) {
      const lack = gap - ((placed[k] ?? 0) - (placed[k - 1] ?? 0));
      if (lack > 0.1) {
        placed[k - 1] = (placed[k - 1] ?? 0) - lack / 2;
        placed[k] = (placed[k] ?? 0) + lack / 2;
        moved = true;
      }
    }
    const first = low - (placed[0] ?? low);
    if (first > 0) placed[0] = low;
    const last = placed.length - 1;
    if ((placed[last] ?? high) > high) placed[last] = high;
    if (!moved) break;
  }
  const result = new Array<number>(wanted.length).fill(0);
  order.forEach((index, k) => {
    result[index] = placed[k] ?? 0;
  });
  return result;
}
