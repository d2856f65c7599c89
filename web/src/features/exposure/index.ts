export { ExposureSheet } from "./ExposureSheet";
export { apertureFromText, timeFromText } from "./format";
export { JudgeSheet, type Negative } from "./JudgeSheet";
