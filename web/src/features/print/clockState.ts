import type { Schemas } from "../../api/calls";
import { keptOutside } from "../../api/kept";

type EndedByEye = Schemas["EndedByEye"];

/** The print's clock, kept outside the page like the others: a reload or a sleeping tab changes
    nothing. Times come from the wall clock. */
export interface PrintTimed {
  print_id: string;
  /** which stage; -1 before the first */
  place: number;
  /** when it was set going; null while it stands */
  since: number | null;
  /** how long the lamp was on for what was ended by eye */
  by_eye: EndedByEye[];
  /** 1, or faster in a rehearsal */
  speed: number;
}

const kept = keptOutside<PrintTimed>("emulsa-print");
export const usePrintClock = kept.use;
export const keepPrintClock = kept.keep;
export const readPrintClock = kept.read;
