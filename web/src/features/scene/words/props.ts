import type { Schemas } from "../../../api/calls";
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

/** What the choices of a word are given. */
export interface ChoicesProps extends Omit<WordProps, "solution"> {
  close: () => void;
}

/** What is taken for something nobody has said, in a soft word; nothing once it is said. */
export const assumed = (
  solution: Solution | undefined,
  what: Schemas["Assumed"]["what"],
): string | undefined => solution?.assumed.find((each) => each.what === what)?.text;
