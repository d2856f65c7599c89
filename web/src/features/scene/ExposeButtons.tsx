import { Box, Flex } from "@chakra-ui/react";
import { memo } from "react";
import { Button } from "../../components/Button";
import type { Open } from "./SceneDialogs";

/** What is pressed at the end: it stays as it is while a pin is dragged. */
export const ExposeButtons = memo(function ExposeButtons({
  tall,
  keys,
  ready,
  alone,
  open,
}: {
  /** under a thumb */
  tall: boolean;
  /** there is a keyboard */
  keys: boolean;
  ready: boolean;
  /** no bracket */
  alone: boolean;
  open: (what: Open) => void;
}) {
  const minHeight = tall ? "56px" : "48px";
  return (
    <Flex gap="3">
      {!alone && (
        <Button minHeight={minHeight} disabled={!ready} onClick={() => open("bracket")}>
          Bracket
        </Button>
      )}
      <Button
        variant="main"
        minHeight={minHeight}
        fontSize="17px"
        flex="1"
        disabled={!ready}
        onClick={() => open("expose")}
      >
        Expose{" "}
        {keys && (
          <Box as="kbd" fontFamily="inherit" opacity={0.8}>
            e
          </Box>
        )}
      </Button>
    </Flex>
  );
});
