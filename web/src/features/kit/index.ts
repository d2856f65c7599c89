export { KitRoom } from "./KitRoom";
