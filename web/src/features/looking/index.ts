export { LookingPage } from "./LookingPage";
