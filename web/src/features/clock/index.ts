export { ExposureClock } from "./ExposureClock";
