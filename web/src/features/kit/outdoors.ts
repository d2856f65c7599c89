import { type KindSpec, name, note } from "./fieldSpec";

/* What is carried to the picture: film and what exposes it. */

const WHO = "own test, maker's sheet, a guess";

export const OUTDOORS = {
  films: {
    title: "Films",
    one: "film",
    teach: "The film you rate, with the tones it holds and its reciprocity law.",
    fields: [
      name,
      { path: "exposure_index", label: "Your EI", as: "number" },
      { path: "box_speed", label: "Box speed", as: "optional" },
      { path: "textural_range.0", label: "Holds texture from zone", as: "zone" },
      { path: "textural_range.1", label: "to zone", as: "zone" },
      { path: "law", label: "Reciprocity", as: "law" },
      {
        path: "price",
        label: "Price of a sheet",
        as: "optional",
        help: "in the currency of your Preferences",
      },
      { path: "provenance.exposure_index", label: "EI source", as: "text", help: WHO },
      { path: "provenance.textural_range", label: "Textural range source", as: "text" },
      { path: "provenance.law", label: "Reciprocity source", as: "text" },
      { path: "provenance.price", label: "Price source", as: "text" },
      note,
    ],
  },
  cameras: {
    title: "Cameras",
    one: "camera",
    teach: "A camera and the image area of its format.",
    fields: [
      name,
      { path: "format_mm.0", label: "Image width", unit: "mm", as: "number" },
      { path: "format_mm.1", label: "Image height", unit: "mm", as: "number" },
      { path: "backs", label: "Other backs", as: "backs" },
      { path: "shutter", label: "Shutter", as: "body" },
      note,
    ],
  },
  lenses: {
    title: "Lenses",
    one: "lens",
    teach: "Focal length, the marks it has, and its shutter.",
    fields: [
      name,
      { path: "camera_id", label: "Camera", as: "camera" },
      { path: "optics.focal_length_mm", label: "Focal length, mm", as: "number" },
      { path: "thread_mm", label: "Filter thread, mm", as: "optional" },
      { path: "optics.widest", label: "Widest aperture", as: "text" },
      { path: "optics.smallest", label: "Smallest aperture", as: "text" },
      { path: "optics.shutter.fastest", label: "Fastest time", as: "text" },
      { path: "optics.shutter.slowest", label: "Slowest marked time", as: "text" },
      { path: "optics.aperture_series", label: "Aperture marks", as: "series" },
      { path: "optics.shutter.series", label: "Shutter marks", as: "series" },
      { path: "optics.shutter.by_hand", label: "Beyond the slowest mark", as: "byhand" },
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
  },
  pinholes: {
    title: "Pinholes",
    one: "pinhole",
    teach: "The diameter as measured, and the distance to the film.",
    fields: [
      name,
      { path: "camera_id", label: "Camera", as: "camera" },
      { path: "optics.diameter_mm", label: "Diameter, mm", as: "number" },
      { path: "optics.distance_mm", label: "Distance to the film", unit: "mm", as: "number" },
      { path: "leaflet", label: "Leaflet", as: "leaflet" },
      note,
    ],
  },
  filters: {
    title: "Filters",
    one: "filter",
    teach: "By its factor, its stops or its density: ×8 is 3 stops is density 0.9.",
    fields: [
      name,
      { path: "filter", label: "Strength", as: "strength" },
      {
        path: "thread_mm",
        label: "Thread, mm",
        as: "optional",
        help: "it goes on lenses of this thread and, by a ring, on narrower ones",
      },
      { path: "lens_ids", label: "Only on these lenses", as: "lenses" },
      note,
    ],
  },
  formats: {
    title: "Sheet sizes of your own",
    one: "sheet size",
    teach: "4×5, 5×7, 8×10 and quarter plate are known; add what you cut or inherited.",
    fields: [
      name,
      { path: "size_mm.0", label: "Image width", unit: "mm", as: "number" },
      { path: "size_mm.1", label: "Image height", unit: "mm", as: "number" },
      note,
    ],
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
      { path: "calibration.offset_stops", label: "EV correction, stops", as: "number" },
      {
        path: "iso",
        label: "Fixed ISO",
        as: "optional",
        help: "empty: its EVs are at ISO 100, its times at the film's EI",
      },
      {
        path: "held_stops",
        label: "Held correction, stops",
        as: "number",
        help: "a correction set on the meter itself, as 2.5",
      },
      { path: "scale", label: "Scale divisions", as: "scale" },
      { path: "spot_deg", label: "Spot angle, degrees", as: "optional" },
      note,
    ],
  },
} satisfies Record<string, KindSpec>;
