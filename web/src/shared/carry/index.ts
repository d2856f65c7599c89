export { CarrySheet } from "./CarrySheet";
export { ModeLine } from "./ModeLine";
