export { BenchRoom } from "./BenchRoom";
export { TestPage } from "./TestPage";
