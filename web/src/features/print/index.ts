export { PrintPage } from "./PrintPage";
export { PrintRoom } from "./PrintRoom";
