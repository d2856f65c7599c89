import type { Schemas } from "../../api/calls";
import { clockText } from "../../clock/state";
import { typedNumber } from "../../components/typedNumber";

/* Tables of a recipe, a line each, the way they stand in a leaflet or a notebook. */

/** How rows of one kind are written as lines and read from them. */
export interface Lines<Row> {
  help: string;
  text: (row: Row) => string;
  read: (words: string[]) => Row;
}

const number = (word = "") => typedNumber(word.replace("−", "-"));
const ORIGINS = ["tested", "personal", "published"] as const;
/** a point taken over from judged negatives */
const LEARNED = "learned";
type Origin = (typeof ORIGINS)[number];
const isOrigin = (word: string | undefined): word is Origin =>
  ORIGINS.some((each) => each === word);

/** Words after the numbers: the origin if it is one, an EI if it is a number, then who says so. */
function rest(words: string[], fallback: Origin) {
  const [first] = words;
  const origin: Origin = isOrigin(first) ? first : fallback;
  return { origin, after: isOrigin(first) ? words.slice(1) : words };
}

const points: Lines<Schemas["Point"]> = {
  help: "A line each: N, minutes, tested, personal or published, EI, who says so; a note after “//”. As in: -1  6:30  personal  80  own sheets",
  text: (point) =>
    [
      point.n,
      clockText(point.minutes),
      point.learned ? LEARNED : point.origin,
      point.ei ?? "",
      point.who ?? "",
      point.note ? `// ${point.note}` : "",
    ]
      .filter((each) => each !== "")
      .join("  "),
  read: (words) => {
    const [n = "0", minutes] = words;
    const learned = words[2] === LEARNED;
    if (learned) words.splice(2, 1);
    const cut = words.indexOf("//");
    const said = rest(words.slice(2, cut < 0 ? undefined : cut), "personal");
    const [ei] = said.after;
    const rated = ei !== undefined && /^[\d.]+$/.test(ei);
    return {
      n: number(n.replace(/^N/i, "") || "0"),
      minutes: number(minutes),
      origin: said.origin,
      ei: rated ? number(ei) : null,
      who: said.after.slice(rated ? 1 : 0).join(" "),
      note: cut < 0 ? "" : words.slice(cut + 1).join(" "),
      learned,
    };
  },
};

const ratings: Lines<Schemas["Rating"]> = {
  help: "A line each: EI, minutes, tested, personal or published, who says so. As in: 800  14:30  published  leaflet",
  text: (row) =>
    [row.ei, clockText(row.minutes), row.origin, row.who ?? ""]
      .filter((each) => each !== "")
      .join("  "),
  read: (words) => {
    const said = rest(words.slice(2), "published");
    return {
      ei: number(words[0]),
      minutes: number(words[1]),
      origin: said.origin,
      who: said.after.join(" "),
    };
  },
};

const warmth: Lines<Schemas["Warmth"]> = {
  help: "The maker's table, a line each: °C, minutes for N. As in: 24  7:45. Two rows or more replace k",
  text: (row) => `${row.temperature_c}  ${clockText(row.minutes)}`,
  read: (words) => ({ temperature_c: number(words[0]), minutes: number(words[1]) }),
};

const parts: Lines<Schemas["PowderPart"]> = {
  help: "A line each, in the order they are dissolved: name, grams if it is weighed",
  text: (part) => [part.name, part.grams ?? ""].filter((each) => each !== "").join("  "),
  read: (words) => {
    const last = words.at(-1) ?? "";
    const weighed = words.length > 1 && /^[\d.,]+$/.test(last);
    return {
      name: (weighed ? words.slice(0, -1) : words).join(" "),
      grams: weighed ? number(last) : null,
    };
  },
};

const paperfilters: Lines<Schemas["PaperFilter"]> = {
  help: "A line each: range (log exposure), speed, factor, then the filter's name. As in: 1.05  200  1  Middle filter",
  text: (row) => `${row.range}  ${row.speed}  ${row.factor}  ${row.label}`,
  read: (words) => ({
    range: number(words[0]),
    speed: number(words[1]),
    factor: number(words[2]),
    label: words.slice(3).join(" "),
  }),
};

const papersteps: Lines<Schemas["PaperStep"]> = {
  help: "Measured, a line each: log exposure, density. Five or more replace the typical curve",
  text: (row) => `${row.log_h}  ${row.density}`,
  read: (words) => ({ log_h: number(words[0]), density: number(words[1]) }),
};

const focals: Lines<number> = {
  help: "A line each, in mm",
  text: (row) => String(row),
  read: (words) => number(words[0]),
};

export const LINES = {
  points,
  ratings,
  warmth,
  parts,
  paperfilters,
  papersteps,
  focals,
};
export type LinesKind = keyof typeof LINES;
