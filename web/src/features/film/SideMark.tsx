import { Box } from "@chakra-ui/react";
import type { Schemas } from "../../api/calls";
import { look, StateMark } from "../../shared/drawn/StateMark";
import { ToneSlip } from "../../shared/drawn/ToneSlip";
import { stateWord } from "../../shared/states";

type Side = Schemas["SideView"];

/** One side of a holder, its state readable at arm's length by shape and word; touched, chosen. */
export function SideMark({
  side,
  chosen,
  toggle,
}: {
  side: Side;
  chosen: boolean;
  toggle: () => void;
}) {
  const { state } = side;
  return (
    <Box
      as="button"
      onClick={toggle}
      aria-pressed={chosen}
      background="transparent"
      border="none"
      padding="0"
      cursor="pointer"
      color="ink"
      textAlign="left"
    >
      <Box
        width={{ base: "76px", md: "82px" }}
        height={{ base: "122px", md: "108px" }}
        position="relative"
        paddingTop="10px"
        outline={chosen ? "4px solid" : undefined}
        outlineColor="accent"
        outlineOffset="0px"
        {...look(state)}
      >
        <Box as="span" srOnly>
          Side {side.where},{" "}
        </Box>
        <StateMark state={state} />
        <Box
          position="absolute"
          bottom="6px"
          left="2px"
          right="2px"
          textAlign="center"
          lineHeight={1.25}
        >
          <Box fontWeight={600} fontSize={{ base: "13px", md: "14px" }}>
            {stateWord(state)}
          </Box>
          {side.n_text && <Box fontSize="13px">{side.n_text}</Box>}
          <Box fontSize="12px" lineHeight={1.1} overflowWrap="anywhere">
            {side.film_name || "–"}
          </Box>
        </Box>
      </Box>
      <Box
        paddingTop="1.5"
        fontSize="13px"
        color={chosen ? "accent" : "ink2"}
        fontWeight={chosen ? 650 : 400}
      >
        <span aria-hidden>
          side {side.side}
          {chosen && " ✓"}
        </span>
        {side.slip && <ToneSlip slip={side.slip} width={76} />}
        {side.twice_text && (
          <Box as="span" color="ochre" fontWeight={600}>
            {" "}
            {side.twice_text}
          </Box>
        )}
        {side.doubt && (
          <Box as="span" color="ochre" fontWeight={600}>
            {" "}
            <Box as="span" srOnly>
              {side.doubt},{" "}
            </Box>
            see note
          </Box>
        )}
      </Box>
    </Box>
  );
}
