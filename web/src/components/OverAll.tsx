import { Box, Flex } from "@chakra-ui/react";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { SAFE } from "../theme/safelight";
import { Alone } from "./Alone";
import { Button } from "./Button";
import { Quiet } from "./text";

const SAFELIGHT = {
  color: SAFE.red,
  "--chakra-colors-sheet": "#000",
  "--chakra-colors-paper": "#000",
  "--chakra-colors-ink": SAFE.red,
  "--chakra-colors-ink2": SAFE.red,
  "--chakra-colors-edge": SAFE.dim,
  "--chakra-colors-line": SAFE.dim,
  "--chakra-colors-accent": SAFE.red,
  "--chakra-colors-accent-soft": "#000",
  "--chakra-colors-ochre": SAFE.red,
  "--chakra-colors-ochre-soft": "#000",
  "--chakra-colors-brick": SAFE.red,
  "--chakra-colors-brick-soft": "#000",
  "& input": { accentColor: SAFE.dim, colorScheme: "dark" },
  "& button": { background: "black", color: SAFE.red, borderColor: SAFE.dim },
};

/** A clock laid over everything else: its title and what is set, and room for what counts. */
export function OverAll({
  label,
  title,
  set,
  safelight = false,
  children,
}: {
  label: string;
  title: string;
  set: string;
  /** beside paper: dark red on black whatever the light of the page */
  safelight?: boolean;
  children: ReactNode;
}) {
  const dialog = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!dialog.current?.contains(document.activeElement)) dialog.current?.focus();
  }, []);
  return (
    <Alone>
      <Box
        ref={dialog}
        tabIndex={-1}
        outline="none"
        position="fixed"
        inset="0"
        zIndex={60}
        background="sheet"
        role="dialog"
        aria-modal="true"
        aria-label={label}
        data-state="open"
        overflow="auto"
        {...(safelight && { css: SAFELIGHT })}
      >
        <Flex
          direction="column"
          minHeight="100dvh"
          maxWidth="900px"
          marginInline="auto"
          padding={{ base: "4", md: "6" }}
          gap="3"
        >
          <Flex justify="space-between" align="baseline" gap="4" wrap="wrap">
            <Box as="h1" fontSize="19px" fontWeight={650}>
              {title}
            </Box>
            <Quiet>{set}</Quiet>
          </Flex>
          {children}
        </Flex>
      </Box>
    </Alone>
  );
}

/** Leaving a clock, asked about once it has begun. */
export function GiveUp({
  warning,
  word,
  ready,
  leave,
}: {
  /** what is lost by leaving now; empty: nothing, and it is not asked */
  warning: string;
  word: string;
  /** not begun yet */
  ready: boolean;
  leave: () => void;
}) {
  const [asked, setAsked] = useState(false);
  if (!asked) {
    return (
      <Button variant="quiet" onClick={() => (warning ? setAsked(true) : leave())}>
        {ready ? "Close" : "Discard"}
      </Button>
    );
  }
  return (
    <Flex gap="3" wrap="wrap" align="center" justify="center">
      <Box>{warning}</Box>
      <Button color="brick" onClick={leave}>
        {word}
      </Button>
      <Button onClick={() => setAsked(false)}>Continue</Button>
    </Flex>
  );
}
