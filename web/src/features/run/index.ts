export { RunClockFace } from "./RunClockFace";
