import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Notice } from "../../components/Notice";
import type { Part, Worked } from "./queries";

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
      <Box color="ink2" fontSize="14px" paddingBottom="2">
        {worked.sums_text}
      </Box>
      {worked.problem && <Notice tone="warning">{worked.problem}</Notice>}
      <Box
        as="ol"
        aria-label="Times in the order worked"
        listStyleType="none"
        css={{
          "& .sum": { display: "flex", justifyContent: "space-between", gap: "12px" },
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
          "& input": {
            width: "100%",
            height: "28px",
            display: "block",
            accentColor: "var(--chakra-colors-accent)",
          },
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
              <span>{row.text}</span>
            </div>
            <div
              aria-hidden
              className={row.act === "burn" ? "bar burn" : "bar"}
              style={{ width: `${Math.max(1, (100 * row.seconds) / worked.longest_s)}%` }}
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
            {row.holds.length > 0 && (
              <div className="held">hold {row.holds.map((hold) => hold.text).join(", ")}</div>
            )}
            {row.act === "base" && (
              <input
                type="range"
                aria-label={`${row.title}, seconds`}
                min={1}
                max={60}
                step={0.5}
                value={parts.find((each) => each.id === row.id)?.seconds ?? row.seconds}
                onChange={(event) => give(row.id, Number(event.target.value))}
              />
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
