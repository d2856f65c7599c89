import { Box, Popover, Portal } from "@chakra-ui/react";
import { type ReactNode, useContext, useState } from "react";
import { Button } from "../../../components/Button";
import { InSheets } from "../../../components/Sheet";

/** A word of the settings sentence: its value is the button, its choices open beneath it. */
export function Word({
  label,
  plain,
  named,
  soft,
  value,
  problem,
  open,
  onOpen,
  children,
}: {
  label: string;
  /** the value says by itself what it is */
  plain?: boolean;
  /** its value says nothing without its label, on a phone neither */
  named?: boolean;
  /** nobody has said it yet: it is assumed */
  soft?: boolean;
  value: ReactNode;
  problem?: string | null;
  open?: boolean;
  onOpen?: (open: boolean) => void;
  children: (close: () => void) => ReactNode;
}) {
  const asking = useContext(InSheets);
  const [own, setOwn] = useState(false);
  const shown = open ?? own;
  const set = (next: boolean) => (onOpen ? onOpen(next) : setOwn(next));
  return (
    <Box display="inline-flex" alignItems="center" gap="1.5" color="ink2">
      {!plain && (
        <Box as="span" display={{ base: named ? "inline" : "none", md: "inline" }}>
          {label}
        </Box>
      )}
      <Popover.Root
        open={shown}
        onOpenChange={(change) => set(change.open)}
        positioning={{ placement: "bottom-start" }}
        lazyMount
        unmountOnExit
      >
        <Popover.Trigger asChild>
          <Button
            variant="word"
            aria-label={`${label}: ${typeof value === "string" ? value : ""}`}
            color={problem ? "brick" : soft ? "ink2" : "ink"}
            fontStyle={soft ? "italic" : undefined}
            fontWeight={soft ? 400 : undefined}
          >
            {value}
          </Button>
        </Popover.Trigger>
        <Portal>
          <Popover.Positioner>
            <Popover.Content aria-label={label}>
              <Popover.Body>{children(() => set(false))}</Popover.Body>
              {asking}
            </Popover.Content>
          </Popover.Positioner>
        </Portal>
      </Popover.Root>
    </Box>
  );
}
