import { Box } from "@chakra-ui/react";
import { ExposureLedger } from "./Panels";
import type { Edit, Solution } from "./queries";

/** How an exposure adds up, step by step. */
export function Sums({
  solution,
  take,
}: {
  solution: Solution | undefined;
  take: (edits: Edit[]) => void;
}) {
  if (!solution?.answer) return null;
  return (
    <>
      <Box as="h2" fontSize="13px" fontWeight={600} color="ink2">
        How this exposure adds up, at {solution.answer.set.aperture}
      </Box>
      <ExposureLedger answer={solution.answer} fixes={solution.fixes} take={take} />
    </>
  );
}
