export { Guide } from "./Guide";
