export { EveningPage } from "./EveningPage";
