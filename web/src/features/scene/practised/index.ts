export { PractisedRoom } from "./PractisedRoom";
