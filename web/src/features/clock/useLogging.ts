import { keepClock, openS, type Timed, watchText } from "../../clock/state";
import { useInsisting } from "../../clock/useInsisting";
import { say } from "../../shared/saying";
import { logExposure } from "./queries";

/** Logs a closed exposure; its own id makes trying again harmless. */
export const useLogging = (timed: Timed | null) =>
  useInsisting(timed?.phase === "closed" ? timed : null, async (closed, write) => {
    await write(logExposure({ ...closed.given, intervals: closed.intervals }));
    say(
      `${closed.where} logged on ${closed.title}: ${closed.setText.split(",")[0]}, open ${watchText(openS(closed, Date.now()))}`,
    );
    keepClock(null);
  });
