export { MixingPage } from "./MixingPage";
