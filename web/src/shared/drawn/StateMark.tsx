import { Box } from "@chakra-ui/react";
import type { State } from "../states";

const DARK: State[] = ["exposed", "in_run"];

/** How a piece of film is drawn: its edge, its ground and what is written on it. */
export const look = (state: State) => ({
  border: state === "empty" || state === "blank" ? "2px dashed" : "2px solid",
  borderColor: state === "empty" || state === "blank" ? "edge" : "ink",
  ...face(state),
});

/** A side looks as its dark slide does in the hand, by day and by dusk. */
const face = (state: State) => {
  if (DARK.includes(state)) return { background: "slideDark", color: "slideLight" };
  if (state === "loaded") return { background: "slideLight", color: "slideDark" };
  return { background: state === "empty" ? "transparent" : "sheet", color: "ink" };
};

/**
 * The shape of a state: an open bar while unexposed, full bars once exposed, with a gap in a run;
 * bars on clear film when developed, an underline more when judged; a stroke for a blank frame.
 */
export function StateMark({ state, height = 34 }: { state: State; height?: number }) {
  const bar = (top: number, more: object = {}) => (
    <Box
      key={top}
      position="absolute"
      top={`${top}px`}
      left="15%"
      right="15%"
      height={`${height / 7}px`}
      background="currentcolor"
      {...more}
    />
  );
  const third = height / 3;
  return (
    <Box position="relative" height={`${height}px`} aria-hidden>
      {state === "loaded" && (
        <Box
          position="absolute"
          top="0"
          left="15%"
          right="15%"
          height={`${height * 0.42}px`}
          border="2px solid"
          borderColor="currentcolor"
        />
      )}
      {state === "exposed" && [0, third, 2 * third].map((top) => bar(top))}
      {state === "in_run" && [0, 2 * third].map((top) => bar(top))}
      {(state === "developed" || state === "judged") &&
        [0, third, 2 * third].map((top) => bar(top, { right: `${15 + top}%` }))}
      {state === "judged" && bar(height, { height: "2px" })}
      {state === "blank" && (
        <Box
          position="absolute"
          top={`${height / 2}px`}
          left="15%"
          right="15%"
          borderTop="2px solid"
          borderColor="edge"
          transform="rotate(-28deg)"
        />
      )}
    </Box>
  );
}
