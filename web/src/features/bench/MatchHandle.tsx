import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";

/** What the films are matched at: dragged up and down, or moved by arrow keys. */
export function MatchHandle({
  left,
  top,
  net,
  toNet,
  onMatch,
}: {
  left: number;
  top: number;
  net: number;
  toNet: (pixels: number) => number;
  onMatch: (net: number, done: boolean) => void;
}) {
  const held = (value: number) => Math.min(1.5, Math.max(0.02, Math.round(value * 100) / 100));
  const grip = useRef<{ from: number; top: number } | null>(null);
  const at = (event: PointerEvent) =>
    grip.current ? held(toNet(grip.current.top + event.clientY - grip.current.from)) : net;
  const pressed = (event: KeyboardEvent) => {
    const step = { ArrowUp: 0.01, ArrowDown: -0.01, PageUp: 0.1, PageDown: -0.1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onMatch(held(net + step), true);
  };
  return (
    <Box
      role="slider"
      tabIndex={0}
      aria-label="Density films are matched at"
      aria-orientation="vertical"
      aria-valuemin={0.02}
      aria-valuemax={1.5}
      aria-valuenow={net}
      aria-valuetext={`${net.toFixed(2)} above clear film`}
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
