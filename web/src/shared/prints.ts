import { act } from "../api/acts";
import type { Schemas } from "../api/client";

/** Keep the print that was made, with its plan as it stands. */
export const printMade = (id: string, made: Schemas["TryMade"]) =>
  act("prints_made", { path: { id }, body: made });
