import { Box } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";

type Side = Schemas["SideView"];

const WORDS = { empty: "empty", loaded: "unexposed", exposed: "exposed" } as const;

/** One side of a holder, its state readable at arm's length by shape and word. */
export function SideMark({ side, onOpen }: { side: Side; onOpen: () => void }) {
  const exposed = side.state === "exposed";
  const empty = side.state === "empty";
  return (
    <Box
      as="button"
      onClick={onOpen}
      background="transparent"
      border="none"
      padding="0"
      cursor="pointer"
      color="ink"
    >
      <Box
        width={{ base: "76px", md: "82px" }}
        height="108px"
        border={empty ? "2px dashed" : "2px solid"}
        borderColor={empty ? "edge" : "ink"}
        background={exposed ? "ink" : empty ? "transparent" : "sheet"}
        color={exposed ? "paper" : "ink"}
        position="relative"
      >
        <Box as="span" srOnly>
          Side {side.where},{" "}
        </Box>
        {side.state === "loaded" && (
          <Box
            position="absolute"
            top="10px"
            left="10px"
            right="10px"
            height="14px"
            border="2px solid"
            borderColor="ink"
          />
        )}
        {exposed &&
          [14, 26, 38].map((top) => (
            <Box
              key={top}
              position="absolute"
              top={`${top}px`}
              left="12px"
              right="12px"
              height="5px"
              background="paper"
            />
          ))}
        <Box
          position="absolute"
          bottom="8px"
          left="0"
          right="0"
          textAlign="center"
          lineHeight={1.25}
        >
          <Box fontWeight={600} fontSize={{ base: "13px", md: "14px" }}>
            {WORDS[side.state]}
          </Box>
          {exposed && <Box fontSize="13px">{side.n_text}</Box>}
          <Box fontSize="12px" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
            {side.film_name || "–"}
          </Box>
        </Box>
      </Box>
      <Box fontSize="13px" color="ink2" aria-hidden>
        side {side.side}
      </Box>
    </Box>
  );
}
