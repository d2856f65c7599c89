import { Box } from "@chakra-ui/react";
import { type State, stateWord } from "../states";
import { look, StateMark } from "./StateMark";

/** A side or a frame, small: its state by the same face and bars as on the board, and its number. */
export function FilmTile({ where, state }: { where: string; state: State }) {
  return (
    <Box
      as="span"
      role="img"
      aria-label={`${where}, ${stateWord(state)}`}
      display="inline-flex"
      flexDirection="column"
      justifyContent="space-between"
      minWidth="28px"
      height="34px"
      paddingTop="4px"
      verticalAlign="middle"
      {...look(state)}
    >
      <StateMark state={state} height={13} />
      <Box
        as="span"
        aria-hidden
        fontSize="12px"
        fontWeight={650}
        lineHeight={1.15}
        textAlign="center"
        paddingInline="2px"
        whiteSpace="nowrap"
      >
        {where}
      </Box>
    </Box>
  );
}
