import { Box } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useState } from "react";
import type { Scene } from "../queries";
import type { Aim, PractisedView } from "./queries";

const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const [STEP, FAR] = [0.005, 0.03]; // of the width
const [WIDE, HIGH] = [1_000, 1_000]; // what shares are drawn in

const held = (share: number) => Math.max(0, Math.min(1, share));

/** The meter over a simulated scene: its circle is put down by a touch or the arrows, Enter takes the
    reading; every named place is a control, too. */
export function Aiming({
  aim,
  radius,
  ratio,
  places,
  spots,
  readings,
  says,
  point,
  take,
}: {
  aim: Aim | null;
  /** of the meter's circle, as a share of the width */
  radius: number;
  /** height over width */
  ratio: number;
  places: readonly { name: string; x: number; y: number }[];
  spots: PractisedView["spots"];
  readings: Scene["readings"];
  says: string;
  point: (aim: Aim) => void;
  take: () => void;
}) {
  const [pressed, setPressed] = useState(false);
  const at = (event: PointerEvent<Element>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return {
      x: held((event.clientX - box.left) / box.width),
      y: held((event.clientY - box.top) / box.height),
    };
  };
  const keyed = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    const from = aim ?? { x: 0.5, y: 0.5 };
    const by = event.shiftKey ? FAR : STEP;
    if (step) point({ x: held(from.x + step[0] * by), y: held(from.y + (step[1] * by) / ratio) });
    else if (event.key === "Enter" && aim) take();
    else return;
    event.preventDefault();
  };
  const labels = new Map(readings.map((each) => [each.id, each.label]));
  const circle = radius * WIDE;
  return (
    <>
      <Box
        role="button"
        tabIndex={0}
        aria-label={`Point the meter: arrows move it, Enter takes the reading${says ? `. ${says}` : ""}`}
        position="absolute"
        inset="0"
        cursor="crosshair"
        touchAction="none"
        outlineOffset="-3px"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setPressed(true);
          point(at(event));
        }}
        onPointerMove={(event) => pressed && point(at(event))}
        onPointerUp={() => setPressed(false)}
        onPointerCancel={() => setPressed(false)}
        onKeyDown={keyed}
      />
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH * ratio}`}
        style={{ position: "absolute", inset: 0, pointerEvents: "none" }}
        aria-hidden
      >
        {spots
          .filter((each) => labels.has(each.reading))
          .map((each) => (
            <g
              key={each.reading}
              transform={`translate(${each.x * WIDE} ${each.y * HIGH * ratio})`}
            >
              <path d="M-13,0 H13 M0,-13 V13" stroke="#fff" strokeWidth="9" />
              <path d="M-13,0 H13 M0,-13 V13" stroke="#111" strokeWidth="4" />
              <text
                x={each.x > 0.7 ? -16 : 16}
                y="-10"
                textAnchor={each.x > 0.7 ? "end" : "start"}
                fontSize="32"
                fill="#fff"
                stroke="#111"
                strokeWidth="8"
                paintOrder="stroke"
              >
                {labels.get(each.reading)}
              </text>
            </g>
          ))}
        {aim && (
          <g transform={`translate(${aim.x * WIDE} ${aim.y * HIGH * ratio})`} fill="none">
            <circle r={circle} stroke="#111" strokeWidth="7" />
            <circle r={circle} stroke="#fff" strokeWidth="3" />
            <circle r={circle + 30} stroke="#fff" strokeOpacity="0.75" strokeWidth="2" />
          </g>
        )}
      </svg>
      <Box as="ul" aria-label="Places of the scene">
        {places.map((each) => (
          <Box
            as="li"
            key={each.name}
            position="absolute"
            pointerEvents="none"
            left={`${each.x * 100}%`}
            top={`${each.y * 100}%`}
          >
            <Box
              as="button"
              aria-label={`Point the meter at ${each.name}`}
              opacity="0"
              _focusVisible={{ opacity: 1, pointerEvents: "auto" }}
              pointerEvents="none"
              transform="translate(-50%, -50%)"
              background="sheet"
              color="ink"
              borderRadius="4px"
              paddingInline="1"
              fontSize="13px"
              whiteSpace="nowrap"
              onClick={() => point({ x: each.x, y: each.y })}
            >
              {each.name}
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}
