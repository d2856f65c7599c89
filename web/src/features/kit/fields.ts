import type { Schemas } from "../../api/client";
import { newId } from "../../api/client";
import { AGITATIONS } from "./agitations";

/* What each kind of record asks for: a path into the record, a label, and how it is typed. */

export type Kind =
  | "films"
  | "recipes"
  | "cameras"
  | "lenses"
  | "pinholes"
  | "filters"
  | "meters"
  | "formats"
  | "tanks"
  | "lines"
  | "bottles";

export interface FieldSpec {
  path: string;
  label: string;
  as:
    | "text"
    | "number"
    | "note"
    | "film"
    | "camera"
    | "series"
    | "flag"
    | "law"
    | "points"
    | "strength"
    | "measured"
    | "backs"
    | "scale"
    | "byhand"
    | "baths"
    | "agitation"
    | "bottle"
    | "day"
    | "optional";
  help?: string;
}

export interface KindSpec {
  title: string;
  one: string;
  teach: string;
  fields: FieldSpec[];
  blank: () => Record<string, unknown>;
  describe: (record: never, kit: Schemas["Kit"]) => string;
}

const name: FieldSpec = { path: "name", label: "Name", as: "text" };
const WHO = "own test, maker's sheet, a guess";
const note: FieldSpec = { path: "note", label: "Note", as: "note" };

export function lawText(law: Schemas["Film"]["law"]): string {
  if (!law) return "no reciprocity law yet";
  switch (law.kind) {
    case "none":
      return `no correction up to ${law.until_s} s`;
    case "power":
      return `t^${law.exponent} from ${law.from_s} s`;
    case "additive":
      return `t + ${law.a}·t^${law.b}`;
    default:
      return `table of ${law.rows.length} rows`;
  }
}

export const KINDS: Record<Kind, KindSpec> = {
  films: {
    title: "Films",
    one: "film",
    teach: "The film you rate, with the tones it holds and its reciprocity law.",
    fields: [
      name,
      { path: "exposure_index", label: "Your EI", as: "number" },
      { path: "textural_range.0", label: "Holds texture from zone", as: "number" },
      { path: "textural_range.1", label: "to zone", as: "number" },
      { path: "law", label: "Reciprocity", as: "law" },
      { path: "price", label: "Price of a sheet", as: "optional", help: "in your own money" },
      { path: "provenance.exposure_index", label: "Who says the EI", as: "text", help: WHO },
      { path: "provenance.textural_range", label: "Who says the tones", as: "text" },
      { path: "provenance.law", label: "Who says the long times", as: "text" },
      { path: "provenance.price", label: "Where the price is from", as: "text" },
      note,
    ],
    blank: () => ({
      id: newId(),
      name: "",
      exposure_index: 100,
      textural_range: [2, 8],
      law: null,
      price: null,
      provenance: { exposure_index: "", textural_range: "", law: "", price: "" },
      note: "",
    }),
    describe: (film: Schemas["Film"]) =>
      [
        `EI ${film.exposure_index}`,
        lawText(film.law),
        film.provenance?.law,
        film.price != null && `${film.price} a sheet`,
      ]
        .filter(Boolean)
        .join(", "),
  },
  recipes: {
    title: "Recipes",
    one: "recipe",
    teach: "How a film is developed: minutes for N, N−1, N+1 at a temperature.",
    fields: [
      name,
      { path: "film_id", label: "Film", as: "film" },
      { path: "recipe.developer", label: "Developer, by its generic name", as: "text" },
      { path: "recipe.dilution", label: "Dilution", as: "text" },
      { path: "recipe.agitation", label: "Agitation", as: "text" },
      { path: "recipe.temperature_c", label: "Temperature, °C", as: "number" },
      {
        path: "recipe.k_per_c",
        label: "Change per °C (k)",
        as: "number",
        help: "0.09 unless the maker says otherwise",
      },
      { path: "recipe.points", label: "Minutes for N", as: "points" },
      note,
    ],
    blank: () => ({
      id: newId(),
      film_id: "",
      name: "",
      recipe: {
        developer: "",
        dilution: "",
        agitation: "",
        temperature_c: 20,
        k_per_c: 0.09,
        points: [],
      },
      note: "",
    }),
    describe: (each: Schemas["FilmRecipe"], kit: Schemas["Kit"]) =>
      [
        kit.films.find((film) => film.id === each.film_id)?.name,
        each.recipe.developer,
        each.recipe.dilution,
        each.recipe.agitation,
      ]
        .filter(Boolean)
        .join(", "),
  },
  cameras: {
    title: "Cameras",
    one: "camera",
    teach: "A camera and the image area of its format.",
    fields: [
      name,
      { path: "format_mm.0", label: "Image width, mm", as: "number" },
      { path: "format_mm.1", label: "Image height, mm", as: "number" },
      { path: "backs", label: "Other backs", as: "backs" },
      note,
    ],
    blank: () => ({ id: newId(), name: "", format_mm: [120, 95], backs: [], note: "" }),
    describe: (camera: Schemas["Camera"]) =>
      [
        `${camera.format_mm[0]} × ${camera.format_mm[1]} mm`,
        ...(camera.backs ?? []).map((back) => back.name),
      ].join(", "),
  },
  lenses: {
    title: "Lenses",
    one: "lens",
    teach: "Focal length, the marks it has, and its shutter.",
    fields: [
      name,
      { path: "camera_id", label: "Camera", as: "camera" },
      { path: "optics.focal_length_mm", label: "Focal length, mm", as: "number" },
      { path: "optics.widest", label: "Widest aperture", as: "text" },
      { path: "optics.smallest", label: "Smallest aperture", as: "text" },
      { path: "optics.shutter.fastest", label: "Fastest time", as: "text" },
      { path: "optics.shutter.slowest", label: "Slowest marked time", as: "text" },
      { path: "optics.aperture_series", label: "Aperture marks", as: "series" },
      { path: "optics.shutter.series", label: "Shutter marks", as: "series" },
      { path: "optics.shutter.by_hand", label: "Longer than its slowest mark", as: "byhand" },
      { path: "optics.shutter.measured", label: "Measured times", as: "measured" },
      {
        path: "optics.pupil_magnification",
        label: "Pupil magnification",
        as: "number",
        help: "1 unless measured; telephotos are less",
      },
      { path: "optics.telephoto", label: "Telephoto", as: "flag" },
      note,
    ],
    blank: () => ({
      id: newId(),
      name: "",
      camera_id: null,
      optics: {
        kind: "lens",
        focal_length_mm: 150,
        pupil_magnification: 1,
        telephoto: false,
        widest: "5.6",
        smallest: "64",
        aperture_series: "third",
        shutter: {
          fastest: "1/500",
          slowest: "1",
          series: "full",
          by_hand: "B and T",
          measured: [],
        },
      },
      note: "",
    }),
    describe: (lens: Schemas["KitLens"]) =>
      [
        `${lens.optics.focal_length_mm} mm, f/${lens.optics.widest} to f/${lens.optics.smallest}`,
        lens.optics.shutter?.measured?.length && "shutter measured",
        lens.optics.telephoto && "telephoto",
      ]
        .filter(Boolean)
        .join(", "),
  },
  pinholes: {
    title: "Pinholes",
    one: "pinhole",
    teach: "The diameter as measured, and the distance to the film.",
    fields: [
      name,
      { path: "camera_id", label: "Camera", as: "camera" },
      { path: "optics.diameter_mm", label: "Diameter, mm", as: "number" },
      { path: "optics.distance_mm", label: "Distance to the film, mm", as: "number" },
      note,
    ],
    blank: () => ({
      id: newId(),
      name: "",
      camera_id: null,
      optics: { kind: "pinhole", diameter_mm: 0.3, distance_mm: 75 },
      note: "",
    }),
    describe: (pinhole: Schemas["KitPinhole"]) =>
      `${pinhole.optics.diameter_mm} mm hole, ${pinhole.optics.distance_mm} mm from the film`,
  },
  filters: {
    title: "Filters",
    one: "filter",
    teach: "By its factor, its stops or its density: ×8 is 3 stops is density 0.9.",
    fields: [name, { path: "filter", label: "Strength", as: "strength" }, note],
    blank: () => ({ id: newId(), name: "", filter: { factor: 2, type: "plain" }, note: "" }),
    describe: (each: Schemas["KitFilter"]) => {
      const { factor, stops, density, type, colour } = each.filter;
      const strength =
        factor != null
          ? `factor ×${factor}`
          : density != null
            ? `density ${density}`
            : `${stops} stops`;
      const what = colour ? colour.replace("_", "-") : type === "plain" ? "" : type;
      return [strength, what].filter(Boolean).join(", ");
    },
  },
  formats: {
    title: "Sheet sizes of your own",
    one: "sheet size",
    teach: "4×5, 5×7, 8×10 and quarter plate are known; add what you cut or inherited.",
    fields: [
      name,
      { path: "size_mm.0", label: "Image width, mm", as: "number" },
      { path: "size_mm.1", label: "Image height, mm", as: "number" },
      note,
    ],
    blank: () => ({ id: newId(), name: "", size_mm: [164, 119], note: "", archived: false }),
    describe: (format: Schemas["SheetFormat"]) => `${format.size_mm[0]} × ${format.size_mm[1]} mm`,
  },
  tanks: {
    title: "Tanks and trays",
    one: "tank",
    teach: "How many sheets share it, its volume, and how it is moved: runs are planned by it.",
    fields: [
      name,
      { path: "holds", label: "Holds, sheets of 4×5", as: "number", help: "a roll takes four" },
      { path: "volume_ml", label: "Volume, ml", as: "number" },
      { path: "many", label: "How many you have", as: "number" },
      { path: "agitation", label: "Moved", as: "agitation" },
      { path: "pour_s", label: "Seconds to fill it", as: "number" },
      { path: "drain_s", label: "Seconds to drain it", as: "number" },
      note,
    ],
    blank: () => ({
      id: newId(),
      name: "",
      holds: 4,
      volume_ml: 500,
      many: 1,
      agitation: "30+10",
      pour_s: 10,
      drain_s: 10,
      note: "",
      archived: false,
    }),
    describe: (tank: Schemas["Tank"]) =>
      [
        `${tank.holds} sheets, ${tank.volume_ml} ml`,
        AGITATIONS.find((each) => each.value === tank.agitation)?.label,
        tank.many > 1 && `${tank.many} of them`,
      ]
        .filter(Boolean)
        .join(", "),
  },
  lines: {
    title: "Lines of baths",
    one: "line",
    teach: "The baths in their order, strictly one way; the developer's time comes from the film.",
    fields: [name, { path: "baths", label: "Baths", as: "baths" }, note],
    blank: () => ({
      id: newId(),
      name: "",
      baths: [
        { name: "Developer", kind: "developer", seconds: 60, agitation: null },
        { name: "Stop", kind: "stop", seconds: 30, agitation: null },
        { name: "Fixer", kind: "fixer", seconds: 300, agitation: null },
        { name: "Wash", kind: "wash", seconds: 600, agitation: null },
      ],
      note: "",
      archived: false,
    }),
    describe: (line: Schemas["Line"]) => line.baths.map((bath) => bath.name).join(", "),
  },
  bottles: {
    title: "Bottles",
    one: "bottle",
    teach: "What is mixed: since when, how much film it does, and how fast the fixer clears.",
    fields: [
      name,
      { path: "kind", label: "Holds", as: "bottle" },
      { path: "mixed", label: "Mixed on", as: "day" },
      { path: "opened", label: "Opened on", as: "day" },
      { path: "shelf_days", label: "Keeps, days", as: "optional" },
      {
        path: "capacity_rolls",
        label: "Good for, rolls",
        as: "optional",
        help: "four 4×5 are one",
      },
      { path: "used_rolls", label: "Has done, rolls", as: "number" },
      { path: "fresh_clearing_s", label: "Cleared fresh in, s", as: "optional" },
      { path: "clearing_s", label: "Clears now in, s", as: "optional", help: "double: discard it" },
      note,
    ],
    blank: () => ({
      id: newId(),
      name: "",
      kind: "fixer",
      mixed: "",
      opened: "",
      shelf_days: null,
      capacity_rolls: null,
      used_rolls: 0,
      fresh_clearing_s: null,
      clearing_s: null,
      note: "",
      archived: false,
    }),
    describe: (bottle: Schemas["Bottle"]) =>
      [
        bottle.kind,
        bottle.mixed && `mixed ${bottle.mixed}`,
        bottle.capacity_rolls != null &&
          `${bottle.used_rolls} of ${bottle.capacity_rolls} rolls done`,
      ]
        .filter(Boolean)
        .join(", "),
  },
  meters: {
    title: "Meters",
    one: "meter",
    teach: "Its constants and its own error, when you know them.",
    fields: [
      name,
      {
        path: "calibration.k",
        label: "K, reflected",
        as: "number",
        help: "12.5, or 10.6 to 14 by make",
      },
      {
        path: "calibration.c",
        label: "C, incident",
        as: "number",
        help: "250 flat, 320 to 540 dome",
      },
      { path: "calibration.offset_stops", label: "Stops to add to its EV", as: "number" },
      { path: "iso", label: "ISO it is kept at", as: "number" },
      { path: "scale", label: "Read to", as: "scale" },
      { path: "spot_deg", label: "Angle it sees, degrees", as: "optional" },
      note,
    ],
    blank: () => ({
      id: newId(),
      name: "",
      calibration: { k: 12.5, c: 250, offset_stops: 0 },
      iso: 100,
      scale: "third",
      spot_deg: null,
      note: "",
    }),
    describe: (meter: Schemas["Meter"]) => {
      const offset = meter.calibration.offset_stops;
      const own = offset
        ? `${offset > 0 ? "+" : "−"}${Math.abs(offset)} stop`
        : "no error of its own";
      return meter.spot_deg ? `${meter.spot_deg}°, ${own}` : own;
    },
  },
};
