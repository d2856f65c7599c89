import { Box } from "@chakra-ui/react";
import { type RunClock, stepAt, totalS } from "../../clock/run";
import { watchText } from "../../clock/state";
import { Quiet } from "../../components/text";

/** What the hands do now, for how long still, what comes next, and what the bath asks for. */
export function Figure({ run, at_s }: { run: RunClock; at_s: number }) {
  const place = stepAt(run, at_s);
  const step = run.steps[place];
  const next = run.steps[place + 1];
  const filling = step !== undefined && at_s < step.start_s;
  const cue = run.heard.find((each) => each.at_s > at_s && each.sound !== "soon");
  const doing = step?.cues.find((each) => each.start_s <= at_s && at_s < each.end_s);
  const print = run.print_id !== undefined;
  return (
    <Box
      data-figure
      textAlign="center"
      flex="1"
      display="flex"
      flexDirection="column"
      justifyContent="center"
    >
      <Box fontSize={{ base: "30px", md: "44px" }} fontWeight={650} aria-live="polite">
        {run.phase === "done" ? "Done" : filling ? `Pour in: ${step?.name}` : step?.name}
      </Box>
      <Box
        data-run-clock
        role="timer"
        aria-live="off"
        fontSize={{ base: "clamp(72px, 30vw, 128px)", md: "180px" }}
        lineHeight={1}
        fontWeight={620}
        letterSpacing="-0.02em"
      >
        {run.phase === "done"
          ? watchText(totalS(run))
          : watchText(((filling ? step?.start_s : step?.end_s) ?? 0) - at_s)}
      </Box>
      {run.phase !== "done" && (
        <Box fontSize="19px" minHeight="56px">
          <Box fontWeight={600}>
            {run.phase === "paused"
              ? "Paused; nothing is counted"
              : (print ? PRINT_DOING : DOING)[doing?.kind ?? "still"]}
            {cue && run.phase === "going" && (
              <Box as="span" color="ink2" fontWeight={400}>
                {" "}
                · {cue.says.split(":")[0]?.toLowerCase()} in {watchText(cue.at_s - at_s)}
              </Box>
            )}
          </Box>
          <Quiet>{next ? `then ${next.name}` : "then it is done"}</Quiet>
          {run.minds?.[place] && (
            <Box fontSize="16px" color="ink2">
              {run.minds[place]}
            </Box>
          )}
        </Box>
      )}
    </Box>
  );
}

const PRINT_DOING = {
  pour: "Into the tray",
  agitate: "Rock the tray",
  change: "Change the water",
  drain: "Lift and drain",
  still: "Leave it",
};
const DOING = {
  pour: "Pour in",
  agitate: "Agitate",
  change: "Change the water",
  drain: "Pour out",
  still: "Rest",
};
