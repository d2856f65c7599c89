import { act } from "../api/acts";
import type { Schemas } from "../api/calls";
import { newId } from "../api/newId";

/** Keep the print that was made, with the plan it was exposed by. */
export const printMade = (
  id: string,
  plan: Schemas["PrintPlan"] | null,
  by_eye: Schemas["EndedByEye"][],
) =>
  act("prints_made", {
    path: { id },
    body: { id: newId(), plan, by_eye, says: "", next_time: "", developer: "" },
  });
