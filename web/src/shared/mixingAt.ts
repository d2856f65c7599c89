/** Where the mixing sheet of a run is. */
export const mixingAt = (
  run: {
    recipe_id?: string | null;
    tank_id?: string | null;
    line_id?: string | null;
    temperature_c?: number | null;
  },
  area_in2: number,
  /** kinds of baths that stand ready in bottles */
  ready: string[] = [],
) => {
  const query = new URLSearchParams({
    recipe_id: run.recipe_id ?? "",
    tank_id: run.tank_id ?? "",
    line_id: run.line_id ?? "",
    area_in2: String(area_in2),
    temperature_c: String(run.temperature_c ?? 20),
    ready: ready.join(","),
  });
  return `/darkroom/mixing?${query}`;
};
