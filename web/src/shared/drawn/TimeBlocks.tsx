import { Box, Flex } from "@chakra-ui/react";
import type { Group } from "../runs";

const MARKS = 12;

/** On a line each where there is room, else the block beneath its words. */
const BENEATH = { "& > [data-block]": { gridColumn: "1 / -1" } };
const ACROSS = {
  "@media (min-width: 900px)": {
    gridTemplateColumns: "150px 84px 1fr",
  },
  "@media (max-width: 899.9px)": BENEATH,
};

/** What waits as blocks of its minutes, on one scale: what is as long can share a tank. */
export function TimeBlocks({ groups, across }: { groups: Group[]; across?: boolean }) {
  const longest = Math.max(1, ...groups.map((each) => each.time?.clock_minutes ?? 0));
  return (
    <Box as="ul" aria-label="Developing times side by side">
      {groups.map((group) => {
        const minutes = group.time?.clock_minutes ?? 0;
        const sheets = group.sheets.length;
        return (
          <Box
            as="li"
            key={keyOf(group)}
            paddingBlock="1.5"
            fontSize="14px"
            display="grid"
            alignItems="center"
            columnGap="3"
            gridTemplateColumns="1fr auto"
            css={across ? ACROSS : BENEATH}
          >
            <Box fontWeight={650}>
              {group.film_name} {group.n_text}
            </Box>
            <Box whiteSpace="nowrap" textAlign="right">
              {group.time?.minutes_text ?? "no time yet"}
            </Box>
            <Flex align="center" gap="1" paddingTop={across ? "0" : "1"} data-block aria-hidden>
              {minutes > 0 && (
                <Box
                  height="11px"
                  background="ink"
                  style={{ width: `${(76 * minutes) / longest}%` }}
                />
              )}
              {group.sheets.slice(0, MARKS).map((sheet) => (
                <Box
                  key={sheet.exposure_id}
                  width="9px"
                  height="13px"
                  border="1.5px solid"
                  borderColor="ink"
                  flexShrink={0}
                />
              ))}
              {sheets > MARKS && <Box>+{sheets - MARKS}</Box>}
            </Flex>
            <Box srOnly>{group.count_text}</Box>
          </Box>
        );
      })}
    </Box>
  );
}

const keyOf = (group: Group) => `${group.sheets[0]?.exposure_id} ${group.recipe_id}`;
