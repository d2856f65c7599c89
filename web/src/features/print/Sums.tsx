import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import type { Part, Worked } from "./queries";

const THUMB_PX = 14;
const THUMB = {
  width: `${THUMB_PX}px`,
  height: "30px",
  background: "var(--chakra-colors-sheet)",
  border: "2px solid var(--chakra-colors-accent)",
};

/** Seconds the bars are drawn to: a round figure with room to drag the longest one. */
const SCALES = [20, 30, 45, 60, 90, 120, 180, 240, 360, 600];
const scaleFor = (longest: number) =>
  SCALES.find((each) => each >= 1.2 * longest) ?? Math.ceil(1.5 * longest);

/** How this print is made: its light in all, every time as a bar with its holds inside, what to think
    of. */
export function Sums({
  worked,
  aperture,
  place,
  parts,
  give,
}: {
  worked: Worked;
  aperture: string | number;
  /** put a burn before another, by dragging its row; by keys it is done in its panel */
  place: (id: string, before: string) => void;
  parts: Part[];
  /** so many seconds for a part */
  give: (part: string, seconds: number) => void;
}) {
  const [dragged, setDragged] = useState<string | null>(null);
  const [held, setHeld] = useState<number | null>(null); // the scale stays while a bar is dragged
  const scale = held ?? scaleFor(worked.longest_s);
  return (
    <Box>
      <Box color="ink2" fontSize="13px">
        How this print is made, at f/{aperture}
      </Box>
      <Box fontSize="30px" lineHeight={1.2}>
        <b>{worked.base_text}</b>{" "}
        <Box as="span" color="ink2" fontSize="22px">
          {worked.burned_text}
        </Box>
      </Box>
      <Small paddingBottom="2">{worked.sums_text}</Small>
      {worked.problem && <Notice tone="warning">{worked.problem}</Notice>}
      <Box
        as="ol"
        aria-label="Times in the order worked"
        listStyleType="none"
        css={{
          "& .sum": { display: "flex", justifyContent: "space-between", gap: "12px" },
          "& .sum-text": { whiteSpace: "nowrap" },
          "& .bar": { position: "relative", height: "18px", background: "ink" },
          "& .burn": { background: "accent" },
          "& .hold": {
            position: "absolute",
            top: "0",
            bottom: "0",
            background: "sheet",
            border: "1px dashed",
            borderColor: "ink2",
          },
          "& .line": { position: "relative", minHeight: "18px" },
          // the thumb stands at the bar's end: its track is as long as the bars' scale
          "& input": {
            position: "absolute",
            left: `${-THUMB_PX / 2}px`,
            top: "-13px",
            width: `calc(100% + ${THUMB_PX}px)`,
            height: "44px",
            margin: "0",
            appearance: "none",
            background: "transparent",
            cursor: "ew-resize",
          },
          "& input::-webkit-slider-thumb": { appearance: "none", ...THUMB },
          "& input::-moz-range-thumb": { borderRadius: "0", ...THUMB },
          "& .held": { fontSize: "13px", color: "ink2" },
        }}
      >
        {worked.rows.map((row) => (
          <li
            key={row.id}
            draggable={row.act === "burn"}
            style={{
              paddingTop: 8,
              cursor: row.act === "burn" ? "grab" : undefined,
              opacity: dragged === row.id ? 0.5 : 1,
            }}
            onDragStart={() => setDragged(row.id)}
            onDragEnd={() => setDragged(null)}
            onDragOver={(event) => {
              if (dragged && row.act === "burn") event.preventDefault();
            }}
            onDrop={() => {
              if (dragged && dragged !== row.id) place(dragged, row.id);
              setDragged(null);
            }}
          >
            <div className="sum">
              <b>{row.title}</b>
              <span className="sum-text">{row.text}</span>
            </div>
            <div className="line">
              <div
                aria-hidden
                className={row.act === "burn" ? "bar burn" : "bar"}
                style={{ width: `${Math.max(1, (100 * row.seconds) / scale)}%` }}
              >
                {row.holds.map((hold) => (
                  <div
                    key={hold.id}
                    className="hold"
                    style={{
                      left: `${(100 * hold.start_s) / row.seconds}%`,
                      width: `${(100 * hold.hold_s) / row.seconds}%`,
                    }}
                  />
                ))}
              </div>
              {row.act === "base" && (
                <input
                  type="range"
                  aria-label={`${row.title}, seconds`}
                  title="Drag the end of the bar"
                  min={0.5}
                  max={scale}
                  step={0.5}
                  value={parts.find((each) => each.id === row.id)?.seconds ?? row.seconds}
                  onPointerDown={() => setHeld(scale)}
                  onPointerUp={() => setHeld(null)}
                  onPointerCancel={() => setHeld(null)}
                  onChange={(event) => give(row.id, Number(event.target.value))}
                />
              )}
            </div>
            {row.holds.length > 0 && (
              <div className="held">hold {row.holds.map((hold) => hold.text).join(", ")}</div>
            )}
          </li>
        ))}
      </Box>
      {worked.grade_text && (
        <Box paddingTop="3" fontSize="15px">
          {worked.grade_text}
        </Box>
      )}
      <Flex direction="column" gap="2" paddingTop="3">
        {worked.advice.map((each) => (
          <Notice key={each} tone="caution">
            {each}
          </Notice>
        ))}
      </Flex>
      {worked.changed.length > 0 && (
        <Box paddingTop="3">
          <Box color="ink2" fontSize="13px">
            Changed since the print before
          </Box>
          <Box as="ul" aria-label="Changed since the print before">
            {worked.changed.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}
