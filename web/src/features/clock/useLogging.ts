import { keepClock, type Timed } from "../../clock/state";
import { useInsisting } from "../../clock/useInsisting";
import { logExposure } from "./queries";

/** Logs a closed exposure; its own id makes trying again harmless. */
export const useLogging = (timed: Timed | null) =>
  useInsisting(timed?.phase === "closed" ? timed : null, async (closed, write) => {
    await write(logExposure({ ...closed.given, intervals: closed.intervals }));
    keepClock(null);
  });
