import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

const TONES = {
  note: ["accentSoft", "accent", "Note"],
  caution: ["ochreSoft", "ochre", "Caution"],
  warning: ["brickSoft", "brick", "Warning"],
  refusal: ["brickSoft", "brick", "Refused"],
} as const;

export type Tone = keyof typeof TONES;

/** One sentence that matters, with its weight in a word and a bar, not in colour alone. */
export function Notice({
  tone,
  children,
  live,
}: {
  tone: Tone;
  children: ReactNode;
  live?: boolean;
}) {
  const [background, bar, word] = TONES[tone];
  return (
    <Box
      role={live ? "alert" : undefined}
      background={background}
      borderLeft="3px solid"
      borderColor={bar}
      paddingInline="3"
      paddingBlock="2"
      fontSize="14.5px"
      lineHeight={1.35}
    >
      <Box as="span" color={bar} fontWeight={650}>
        {word}:
      </Box>{" "}
      {children}
    </Box>
  );
}
