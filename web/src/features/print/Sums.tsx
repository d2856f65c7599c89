import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Notice } from "../../components/Notice";
import type { Worked } from "./queries";

/** How this print is made: its light in all, every time as a bar with its holds inside, what to think
    of. */
export function Sums({
  worked,
  aperture,
  place,
}: {
  worked: Worked;
  aperture: string | number;
  /** put a burn before another, by dragging its row; by keys it is done in its panel */
  place: (id: string, before: string) => void;
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
      <Box as="ol" aria-label="Times in the order worked" listStyleType="none">
        {worked.rows.map((row) => (
          <Box
            as="li"
            key={row.id}
            paddingTop="2"
            draggable={row.act === "burn"}
            cursor={row.act === "burn" ? "grab" : undefined}
            opacity={dragged === row.id ? 0.5 : 1}
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
            <Flex justify="space-between" gap="3">
              <b>{row.title}</b>
              <span>{row.text}</span>
            </Flex>
            <Box
              position="relative"
              height="18px"
              style={{ width: `${Math.max(1, (100 * row.seconds) / worked.longest_s)}%` }}
              background={row.act === "burn" ? "accent" : "ink"}
              aria-hidden
            >
              {row.holds.map((hold) => (
                <Box
                  key={hold.id}
                  position="absolute"
                  top="0"
                  bottom="0"
                  background="sheet"
                  border="1px dashed"
                  borderColor="ink2"
                  style={{
                    left: `${(100 * hold.start_s) / row.seconds}%`,
                    width: `${(100 * hold.hold_s) / row.seconds}%`,
                  }}
                />
              ))}
            </Box>
            {row.holds.length > 0 && (
              <Box fontSize="13px" color="ink2">
                hold {row.holds.map((hold) => hold.text).join(", ")}
              </Box>
            )}
          </Box>
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
            Beside the print before
          </Box>
          <Box as="ul" aria-label="Beside the print before">
            {worked.changed.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}
