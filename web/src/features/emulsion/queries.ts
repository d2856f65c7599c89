import { act } from "../../api/acts";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type FilmPageView = Schemas["FilmPage"];
export type TriedCell = Schemas["TriedCell"];
export type Film = Schemas["Film"];

export const filmPageQuery = (id: string) => question("films_read", { path: { id } });

export const keepFilm = (film: Film, base: string) =>
  act("kit_put_film", { path: { id: film.id }, query: { base }, body: film });

/** One's own minutes at an index; those of N stay. */
export const rateRecipe = (id: string, ei: number, minutes: number, base: string) =>
  act("films_rate", { path: { id }, query: { base }, body: { ei, minutes } });
