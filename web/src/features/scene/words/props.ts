import type { Schemas } from "../../../api/client";
import type { Scene, Solution } from "../queries";
import type { Change } from "../useKeeping";

export type Kit = Schemas["Kit"];

/** What every word of the sentence is given. */
export interface WordProps {
  scene: Scene;
  kit: Kit;
  solution: Solution | undefined;
  edit: (change: Change) => Promise<void>;
}
