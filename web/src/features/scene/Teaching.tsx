import { Box, Flex } from "@chakra-ui/react";
import { Notice } from "../../components/Notice";
import { Quiet } from "../../components/text";
import type { Solution } from "./queries";

/** What stands where the answer will be: the next thing to choose, or why there is none. */
export function Waiting({ solution }: { solution: Solution | undefined }) {
  if (!solution?.problem) return <Quiet>…</Quiet>;
  const next = solution.problem.code === "missing";
  return next ? (
    <Box color="ink2" fontSize="15px">
      {solution.problem.message}
    </Box>
  ) : (
    <Notice tone="refusal" live>
      {solution.problem.message}
    </Notice>
  );
}

/** What an empty scene teaches. */
export function FirstReading() {
  return (
    <Flex flex="1" direction="column" justify="center" gap="2" color="ink2" maxWidth="520px">
      <Box fontSize="19px" color="ink" fontWeight={600}>
        Meter the thing that matters, and type what the meter says.
      </Box>
      <Box>
        <b>9 shade III</b> is EV 9, called “shade”, placed on III. <b>15 frost</b> falls where it
        falls.
        <b> 1/2@22</b> is a time at an aperture, <b>81920lx</b> an incident reading.
      </Box>
      <Box>The same line sets f/32, draw 30, filter red, film or lens by name.</Box>
      <Box fontSize="14px">Never point the meter or the viewfinder at the sun.</Box>
    </Flex>
  );
}
