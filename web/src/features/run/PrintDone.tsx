import { keepRun, putAway, type RunClock, readRun } from "../../clock/run";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { printMade } from "../../shared/prints";
import { useWrite } from "../../shared/useWrite";

/** A print in its baths: kept with its plan as soon as it was looked at, which may be in the wash. */
export function PrintDone({ run, print_id }: { run: RunClock; print_id: string }) {
  const { write, problem, busy } = useWrite(() => {
    const latest = readRun(run.run_id);
    if (latest) keepRun({ ...latest, kept: true });
  });
  return (
    <>
      {!run.kept && (
        <Button
          variant="main"
          minHeight="64px"
          gridColumn="1 / -1"
          disabled={busy}
          onClick={() => void write(printMade(print_id, run.plan ?? null, run.by_eye ?? []))}
        >
          Save print
        </Button>
      )}
      {run.phase === "done" && (
        <Button minHeight="64px" gridColumn="1 / -1" onClick={() => putAway(run.run_id)}>
          Close clock
        </Button>
      )}
      <Problem of={problem} />
    </>
  );
}
