import { act } from "../api/acts";
import type { Schemas } from "../api/calls";
import { newId } from "../api/newId";

/** Keep the print that was made, with the plan it was exposed by. */
export const printMade = (id: string, plan: Schemas["PrintPlan"] | null) =>
  act("prints_made", {
    path: { id },
    body: { id: newId(), plan, says: "", next_time: "", developer: "" },
  });
