export { ExposurePage } from "./ExposurePage";
export { LogRoom } from "./LogRoom";
