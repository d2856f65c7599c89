export { PractisedRoom } from "./practised";
export { SceneRoom } from "./SceneRoom";
