export { HoldersPart } from "./HoldersPart";
export { RollsPart } from "./RollsPart";
export { StockPart } from "./StockPart";
