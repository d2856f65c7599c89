import { Box } from "@chakra-ui/react";
import { Link } from "wouter";
import type { Room } from "./queries";

const [LEVELS, WIDE, HIGH] = [3, 168, 10];

/** The course as a drawing: a bar for each topic, in its three levels. */
export function Course({ topics }: { topics: Room["topics"] }) {
  return (
    <Box as="ul" aria-label="The course">
      {topics.map((each) => (
        <Box
          as="li"
          key={each.topic}
          display="grid"
          gridTemplateColumns="minmax(0,1fr) 192px"
          columnGap="4"
          alignItems="center"
          minHeight="44px"
          borderBottom="1px solid"
          borderColor="line"
        >
          <Link to={`/practice/questions?topic=${each.topic}`}>{each.name}</Link>
          <svg
            width={WIDE}
            height={HIGH}
            role="img"
            aria-label={`${each.name}: ${each.text}`}
            style={{ display: "block", justifySelf: "end" }}
          >
            <rect width={WIDE} height={HIGH} fill="var(--chakra-colors-line)" />
            <rect width={WIDE * each.share} height={HIGH} fill="var(--chakra-colors-ink)" />
            {Array.from({ length: LEVELS - 1 }, (_, level) => (
              <rect
                // biome-ignore lint/suspicious/noArrayIndexKey: marks of the scale
                key={level}
                x={(WIDE * (level + 1)) / LEVELS - 1}
                width="2"
                height={HIGH}
                fill="var(--chakra-colors-sheet)"
              />
            ))}
          </svg>
          {each.seen > 0 && (
            <Box gridColumn="2" fontSize="13px" color="ink2" textAlign="right" lineHeight={1.2}>
              {each.text}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
