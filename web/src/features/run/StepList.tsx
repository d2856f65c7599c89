import { Box, Flex } from "@chakra-ui/react";
import type { RunClock } from "../../clock/run";
import { watchText } from "../../clock/state";

/** The baths in a row: done, now, to come. */
export function StepList({ run, place }: { run: RunClock; place: number }) {
  return (
    <Flex as="ol" wrap="wrap" columnGap="5" rowGap="1" fontSize="15px" aria-label="Baths">
      {run.steps.map((step, at) => (
        <Box
          as="li"
          key={step.name}
          color={at === place ? "accent" : at < place ? "ink2" : "ink"}
          fontWeight={at === place ? 650 : 400}
          textDecoration={at < place ? "line-through" : undefined}
          aria-current={at === place ? "step" : undefined}
        >
          {step.name} {watchText(step.end_s - step.start_s)}
        </Box>
      ))}
    </Flex>
  );
}
