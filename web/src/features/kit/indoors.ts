import type { Schemas } from "../../api/calls";
import { dayText } from "../../components/days";
import { type KindSpec, name, note } from "./fieldSpec";

/* What stands in the darkroom: recipes, and what film is developed in. */

export const INDOORS = {
  recipes: {
    title: "Recipes",
    one: "recipe",
    teach: "How a film is developed: minutes for N, N−1, N+1 at a temperature.",
    fields: [
      name,
      { path: "film_id", label: "Film", as: "film" },
      { path: "recipe.developer", label: "Developer, by its generic name", as: "developer" },
      { path: "recipe.dilution", label: "Dilution", as: "dilution", help: "1+9, stock, 10+10+500" },
      { path: "recipe.colon", label: "1:n on the label means", as: "colon" },
      { path: "recipe.agitation", label: "Agitation in words", as: "text" },
      { path: "recipe.scheme", label: "Agitation scheme", as: "scheme" },
      { path: "recipe.compensating", label: "Compensating developer", as: "flag" },
      { path: "recipe.temperature_c", label: "Temperature", unit: "°C", as: "number" },
      {
        path: "recipe.k_per_c",
        label: "Change per °C (k)",
        as: "number",
        help: "0.09 unless the maker gives another",
      },
      { path: "recipe.points", label: "Minutes for N", as: "points" },
      { path: "recipe.warmth", label: "Minutes by temperature", as: "warmth" },
      { path: "recipe.ratings", label: "Pushed and pulled, by EI", as: "ratings" },
      {
        path: "recipe.minimum_ml_per_roll",
        label: "Minimum concentrate per roll",
        unit: "ml",
        as: "number",
        help: "80 square inches: a roll, four 4×5; 0 when nothing is said",
      },
      {
        path: "recipe.rolls_per_litre",
        label: "Capacity, rolls per litre",
        as: "optional",
        help: "empty: used once",
      },
      {
        path: "recipe.not_recommended",
        label: "Not recommended by",
        as: "text",
        help: "who says so; empty: nobody. It then needs a reason to be used",
      },
      note,
    ],
    describe: (each: Schemas["FilmRecipe"], kit: Schemas["Kit"]) =>
      [
        kit.films.find((film) => film.id === each.film_id)?.name,
        each.recipe.developer,
        each.recipe.dilution,
        each.recipe.agitation,
        each.recipe.not_recommended && `not recommended: ${each.recipe.not_recommended}`,
      ]
        .filter(Boolean)
        .join(", "),
  },
  tanks: {
    title: "Tanks and trays",
    one: "tank",
    teach: "How many sheets share it, its volume, and how it is moved: runs are planned by it.",
    fields: [
      name,
      { path: "holds", label: "Holds, sheets of 4×5", as: "number" },
      {
        path: "holds_rolls",
        label: "Holds, rolls",
        as: "optional",
        help: "empty: a roll counts as four sheets; 0: none",
      },
      { path: "volume_ml", label: "Volume", unit: "ml", as: "number" },
      { path: "many", label: "How many you have", as: "number" },
      { path: "agitation", label: "Agitation", as: "agitation" },
      { path: "pour_s", label: "Seconds to fill it", as: "number" },
      { path: "drain_s", label: "Seconds to drain it", as: "number" },
      note,
    ],
    describe: (tank: Schemas["Tank"], kit: Schemas["Kit"], units) =>
      [
        `${tank.holds} sheets`,
        tank.holds_rolls != null && `${tank.holds_rolls} rolls`,
        units.ml.text(tank.volume_ml),
        kit.agitations[tank.agitation],
        tank.many > 1 && `${tank.many} of them`,
      ]
        .filter(Boolean)
        .join(", "),
  },
  lines: {
    title: "Bath sequences",
    one: "bath sequence",
    teach: "The baths in their order, strictly one way; the developer's time comes from the film.",
    fields: [name, { path: "baths", label: "Baths", as: "baths" }, note],
    describe: (line: Schemas["Line"]) => line.baths.map((bath) => bath.name).join(", "),
  },
  bottles: {
    title: "Bottles",
    one: "bottle",
    teach: "What is mixed: when, its capacity, and how fast the fixer clears.",
    fields: [
      name,
      { path: "kind", label: "Holds", as: "bottle" },
      { path: "mixed", label: "Mixed on", as: "day" },
      { path: "opened", label: "Opened on", as: "day" },
      { path: "shelf_days", label: "Shelf life, days", as: "optional" },
      {
        path: "capacity_rolls",
        label: "Capacity, rolls",
        as: "optional",
        help: "four 4×5 are one",
      },
      { path: "used_rolls", label: "Used, rolls", as: "number" },
      { path: "fresh_clearing_s", label: "Fresh clearing time, s", as: "optional" },
      {
        path: "clearing_s",
        label: "Clearing time now, s",
        as: "optional",
        help: "double: discard it",
      },
      {
        path: "age_change",
        label: "Time factor, ×",
        as: "number",
        help: "for an old developer: 1.1 is a tenth longer",
      },
      note,
    ],
    describe: (bottle: Schemas["Bottle"]) =>
      [
        bottle.kind,
        bottle.mixed && `mixed ${dayText(bottle.mixed)}`,
        bottle.capacity_rolls != null &&
          `${bottle.used_rolls} of ${bottle.capacity_rolls} rolls used`,
      ]
        .filter(Boolean)
        .join(", "),
  },
  powders: {
    title: "Stock from powder",
    one: "powder",
    teach: "How much it makes, the warm water it begins with, its powders in their order.",
    fields: [
      name,
      { path: "kind", label: "Makes", as: "powder" },
      { path: "volume_ml", label: "Makes", unit: "ml", as: "number" },
      { path: "start_ml", label: "Water to begin with", unit: "ml", as: "number" },
      {
        path: "start_c",
        label: "Water temperature",
        unit: "°C",
        as: "number",
        help: "up to 60; hot water scalds",
      },
      { path: "parts", label: "Powders", as: "parts" },
      note,
    ],
    describe: (powder: Schemas["Powder"], _kit, units) =>
      [units.ml.text(powder.volume_ml), ...powder.parts.map((part) => part.name)].join(", "),
  },
  papers: {
    title: "Printing papers",
    one: "paper",
    teach: "Its filters with their range and speed, its black, and what it loses as it dries.",
    fields: [
      name,
      { path: "surface", label: "Surface", as: "text" },
      { path: "filters", label: "Filters or grades", as: "paperfilters" },
      {
        path: "drying_down",
        label: "Drying down, a share",
        as: "number",
        help: "0.06 takes 6 % off every time",
      },
      { path: "dmax", label: "Black, density", as: "number" },
      { path: "dmin", label: "White, density", as: "number" },
      { path: "steps", label: "Own measured steps", as: "papersteps" },
      { path: "baths", label: "Baths", as: "paperbaths" },
      note,
    ],
    describe: (paper: Schemas["PrintingPaper"]) =>
      [paper.surface, ...paper.filters.map((each) => each.label)].filter(Boolean).join(", "),
  },
  enlargers: {
    title: "Enlargers",
    one: "enlarger",
    teach: "Its lenses and marks, how slowly its lamp comes up, how far it goes.",
    fields: [
      name,
      { path: "focal_lengths_mm", label: "Lenses", as: "focals" },
      { path: "widest", label: "Widest aperture", as: "text" },
      { path: "smallest", label: "Smallest aperture", as: "text" },
      { path: "lamp_lag_s", label: "Lamp lag, seconds", as: "number" },
      { path: "least_magnification", label: "Smallest magnification", as: "number" },
      { path: "most_magnification", label: "Largest magnification", as: "number" },
      note,
    ],
    describe: (enlarger: Schemas["Enlarger"]) =>
      [
        enlarger.focal_lengths_mm.map((each) => `${each} mm`).join(", "),
        `f/${enlarger.widest} to f/${enlarger.smallest}`,
        `${enlarger.least_magnification} to ${enlarger.most_magnification} ×`,
      ]
        .filter(Boolean)
        .join(", "),
  },
} satisfies Record<string, KindSpec>;
