import type { Negative, Print } from "./queries";

/** A print begun: a plain plan for this negative, with what is known of it. */
export const blank = (id: string, negative: Negative): Print => ({
  id,
  exposure_id: negative.exposure_id,
  title: negative.scene_title,
  plan: {
    paper_id: null,
    enlarger_id: null,
    setting: {
      aperture: "8",
      magnification: 2,
      paper_speed: 100,
      filter_factor: 1,
      base_fog: negative.base_fog ?? 0,
    },
    parts: [{ id: "base", label: "no filter", seconds: 10, filter_factor: null }],
    areas: [],
    lamp_lag_s: 0,
    drying_down: 0,
    sheet: {
      width_mm: 240,
      height_mm: 300,
      image_long_mm: 240,
      turned: negative.width > negative.height,
      mask: { left: 0, right: 0, top: 0, bottom: 0 },
      margin_mm: 20,
      black_edge_mm: 0,
    },
  },
  low: negative.low,
  high: negative.high,
  base_fog: negative.base_fog,
  right_s: null,
  positive: false,
  note: "",
});
