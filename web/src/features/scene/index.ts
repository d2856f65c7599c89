export { SceneRoom } from "./SceneRoom";
