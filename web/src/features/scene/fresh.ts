import { newId } from "../../api/client";
import type { SceneView } from "./queries";

/** A scene nobody has begun: it is kept with the first thing that is done in it. */
export const unbegun = (): SceneView => ({
  scene: {
    id: newId(),
    outing_id: newId(),
    title: "New scene",
    note: "",
    film_id: null,
    exposure_index: null,
    recipe_id: null,
    lens_id: null,
    pinhole_id: null,
    meter_id: null,
    filter_ids: [],
    focus: { kind: "infinity" },
    aperture: null,
    pin: null,
    high: null,
    n: null,
    school: null,
    low: null,
    light: "daylight",
    depth: null,
    movement: null,
    revisits: null,
    readings: [],
  },
  version: "",
  exposures: [],
  lines: {},
  said: {},
  showed: [],
  cost: null,
  outing: null,
});
