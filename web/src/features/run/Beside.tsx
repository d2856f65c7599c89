import { Box, Flex } from "@chakra-ui/react";
import { type RunClock, runS, show, stepAt, totalS } from "../../clock/run";
import { watchText } from "../../clock/state";

/** The other clocks that run, each in a line; touched, it comes into sight. */
export function Beside({
  runs,
  now,
  below = false,
}: {
  runs: RunClock[];
  now: number;
  /** over the page they are, while none of them is in sight */
  below?: boolean;
}) {
  if (runs.length === 0) return null;
  return (
    <Flex
      as="nav"
      aria-label="Clocks"
      gap="2"
      wrap="wrap"
      {...(below && {
        position: "fixed",
        bottom: { base: "64px", md: "3" },
        right: "3",
        zIndex: 55,
        background: "sheet",
        border: "2px solid",
        borderColor: "accent",
        borderRadius: "6px",
        padding: "1",
      })}
    >
      {runs.map((run) => {
        const at_s = Math.min(runS(run, now), totalS(run));
        const step = run.steps[stepAt(run, at_s)];
        return (
          <Box
            as="button"
            key={run.run_id}
            minHeight="44px"
            paddingInline="3"
            textAlign="left"
            borderLeft="3px solid"
            borderColor="accent"
            onClick={() => show(run.run_id)}
          >
            <b>{run.title}</b>{" "}
            {run.phase === "ready"
              ? "not begun"
              : run.phase === "paused"
                ? "standing"
                : `${step?.name} ${watchText((step?.end_s ?? 0) - at_s)}`}
          </Box>
        );
      })}
    </Flex>
  );
}
