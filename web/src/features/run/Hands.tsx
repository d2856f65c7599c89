import { useQuery } from "@tanstack/react-query";
import { type RunClock, runS } from "../../clock/run";
import { Notice } from "../../components/Notice";
import { besideQuery } from "./queries";

const AGAIN_MS = 5_000;

/** Whether one pair of hands can begin this run now, beside those that go. */
export function Hands({ run, others, now }: { run: RunClock; others: RunClock[]; now: number }) {
  const going = others.filter((each) => each.phase === "going" && each.speed === 1);
  // asked anew every few seconds, not with every tick
  const moment = Math.floor(now / AGAIN_MS) * AGAIN_MS;
  const beside = useQuery(
    besideQuery(
      run.run_id,
      going.map((each) => ({
        steps: each.steps,
        at_s: Math.max(0, runS(each, moment || Date.now())),
      })),
      moment,
    ),
  );
  if (!beside.data) return null;
  return <Notice tone={beside.data.wait_s > 0 ? "caution" : "note"}>{beside.data.text}</Notice>;
}
