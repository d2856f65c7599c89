export { ExposureSheet } from "./ExposureSheet";
export { JudgeSheet, type Negative } from "./JudgeSheet";
