export { FilmPage } from "./FilmPage";
