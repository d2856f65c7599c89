export { OutingRoom } from "./OutingRoom";
