import { Box, Flex } from "@chakra-ui/react";
import { Link } from "wouter";
import type { Room } from "./queries";

/** What was misunderstood: how far it is mended, and when it is asked again. */
export function Due({ due }: { due: Room["due"] }) {
  if (!due.length)
    return (
      <Box color="ink2" paddingBlock="2">
        Nothing to mend. What you get wrong is asked again here, the same day, then after 1, 3, 7,
        14 and 30 days.
      </Box>
    );
  return (
    <Box as="ul" aria-label="To mend">
      {due.map((each) => (
        <Box as="li" key={each.misconception} paddingBlock="1.5">
          <Flex justify="space-between" align="baseline" gap="3">
            <Link
              to={`/practice/questions?topic=${each.topic}&misconception=${each.misconception}`}
            >
              {each.shortly}
            </Link>
            <Box as="span" whiteSpace="nowrap" fontWeight={each.today ? 650 : 400}>
              {each.due_text}
            </Box>
          </Flex>
          <Flex gap="2px" role="img" aria-label={`${each.box} of ${each.boxes - 1} steps mended`}>
            {Array.from({ length: each.boxes - 1 }, (_, box) => (
              <Box
                // biome-ignore lint/suspicious/noArrayIndexKey: steps of a scale
                key={box}
                height="6px"
                flex="1"
                background={box < each.box ? "ink" : "line"}
              />
            ))}
          </Flex>
        </Box>
      ))}
    </Box>
  );
}
