export { FilmRoom } from "./FilmRoom";
