import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { heldTo } from "../../components/heldTo";
import { HANDLES } from "../../service/service";

/** What the films are matched at: dragged up and down, or moved by arrow keys. */
export function MatchHandle({
  left,
  top,
  net,
  text,
  toNet,
  onMatch,
}: {
  left: number;
  top: number;
  net: number;
  /** in words */
  text: string;
  toNet: (pixels: number) => number;
  onMatch: (net: number, done: boolean) => void;
}) {
  const { lowest, highest, step, far } = HANDLES.match_net;
  const held = (value: number) => heldTo(HANDLES.match_net, value);
  const grip = useRef<{ from: number; top: number } | null>(null);
  const at = (event: PointerEvent) =>
    grip.current ? held(toNet(grip.current.top + event.clientY - grip.current.from)) : net;
  const pressed = (event: KeyboardEvent) => {
    const by = { ArrowUp: step, ArrowDown: -step, PageUp: far, PageDown: -far }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onMatch(held(net + by), true);
  };
  return (
    <Box
      role="slider"
      tabIndex={0}
      aria-label="Density films are matched at"
      aria-orientation="vertical"
      aria-valuemin={lowest}
      aria-valuemax={highest}
      aria-valuenow={net}
      aria-valuetext={text}
      position="absolute"
      style={{ left: left - 22, top: top - 22 }}
      width="44px"
      height="44px"
      borderRadius="999px"
      cursor="ns-resize"
      touchAction="none"
      onKeyDown={pressed}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        grip.current = { from: event.clientY, top };
      }}
      onPointerMove={(event) => grip.current && onMatch(at(event), false)}
      onPointerUp={(event) => {
        if (grip.current) onMatch(at(event), true);
        grip.current = null;
      }}
    >
      <Box
        aria-hidden
        position="absolute"
        inset="12px"
        borderRadius="999px"
        border="3px solid"
        borderColor="accent"
        background="sheet"
      />
    </Box>
  );
}
