export { DarkroomRoom } from "./DarkroomRoom";
