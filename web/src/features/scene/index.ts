export { LastScene, SceneRoom } from "./SceneRoom";
