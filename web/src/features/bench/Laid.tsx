import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { held, type Mark } from "./marks";
import type { Place } from "./queries";

/** The picture with its marks, each dragged or moved by arrow keys. */
export function Laid({
  picture,
  ratio,
  marks,
  size,
  settle,
}: {
  picture: string;
  ratio: number;
  marks: Mark[];
  size: number;
  settle: () => void;
}) {
  const ground = useRef<HTMLDivElement>(null);
  const grip = useRef<string | null>(null);
  const placed = (event: PointerEvent): Place => {
    const box = ground.current?.getBoundingClientRect();
    if (!box) return { x: 0.5, y: 0.5 };
    return {
      x: held((event.clientX - box.left) / box.width),
      y: held((event.clientY - box.top) / box.height),
    };
  };
  const keyed = (mark: Mark) => (event: KeyboardEvent) => {
    const by = event.shiftKey ? 0.02 : 0.004;
    const [x, y] = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by * ratio],
      ArrowDown: [0, by * ratio],
    }[event.key] ?? [0, 0];
    if (!x && !y) return;
    event.preventDefault();
    mark.move({ x: held(mark.at.x + (x ?? 0)), y: held(mark.at.y + (y ?? 0)) });
    settle();
  };
  const colour = { patch: "accent", clear: "ochre", wedge: "brick" };
  return (
    <Box ref={ground} position="relative" touchAction="none" style={{ aspectRatio: ratio }}>
      <img
        src={picture}
        alt="The scan"
        style={{ width: "100%", height: "100%" }}
        draggable={false}
      />
      {marks.map((mark) => (
        <Box
          key={mark.key}
          role="button"
          tabIndex={0}
          aria-label={`${mark.label}, at ${Math.round(100 * mark.at.x)} and ${Math.round(100 * mark.at.y)} %`}
          position="absolute"
          left={`${100 * mark.at.x}%`}
          top={`${100 * mark.at.y}%`}
          width={`max(${100 * size}%, 12px)`}
          style={{ aspectRatio: 1, transform: "translate(-50%, -50%)" }}
          border="2px solid"
          borderColor={colour[mark.kind]}
          outline="1px solid white"
          cursor="move"
          onKeyDown={keyed(mark)}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            grip.current = mark.key;
          }}
          onPointerMove={(event) => grip.current === mark.key && mark.move(placed(event))}
          onPointerUp={() => {
            grip.current = null;
            settle();
          }}
        />
      ))}
    </Box>
  );
}
