import { Box, Flex } from "@chakra-ui/react";
import { memo } from "react";
import { Button } from "../../../components/Button";

/** How the picture is known, what lacks, and how it prints. */
export const Heading = memo(function Heading({
  says,
  viewTold,
  prints,
  proposing,
  propose,
  open,
}: {
  says: string;
  viewTold: boolean;
  /** what of the print keeps its texture; nothing where it is not shown */
  prints: string;
  /** whether places are proposed; null where none can be */
  proposing: boolean | null;
  propose: (on: boolean) => void;
  open: (on: boolean) => void;
}) {
  return (
    <Flex columnGap="4" rowGap="0" wrap="wrap" align="center" fontSize="14px" color="ink2">
      <Box>
        Picture{" "}
        <Button variant="word" fontSize="14px" onClick={() => open(true)}>
          {says}
        </Button>
      </Box>
      {!viewTold && (
        <Button variant="word" fontSize="14px" color="ink2" onClick={() => open(true)}>
          How wide does it see?
        </Button>
      )}
      {proposing !== null && (
        <Button
          variant="word"
          fontSize="14px"
          color="ink2"
          aria-pressed={proposing}
          onClick={() => propose(!proposing)}
        >
          Where to read
        </Button>
      )}
      {prints && (
        <Box marginLeft="auto" textAlign="right">
          {prints}
        </Box>
      )}
    </Flex>
  );
});
