import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { act } from "../api/acts";
import { question } from "../api/ask";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { Problem } from "../components/Problem";
import { useWrite } from "../shared/useWrite";

const SHOWN = 3; // the others when these are mended

/** Records that cannot be read, each a line with what can be done; all others are shown in their
    rooms. */
export function Unread() {
  const found = useQuery(question("unread_read")).data;
  const { write, problem, busy } = useWrite();
  if (!found?.length) return null;
  return (
    <Notice tone="warning" live>
      {found.slice(0, SHOWN).map((each) => (
        <Flex key={`${each.table} ${each.id}`} columnGap="4" wrap="wrap" align="center">
          <Box flex="1 1 280px">{each.says} Everything else is as it was.</Box>
          <Button
            variant="word"
            disabled={busy}
            onClick={() =>
              void write(act("unread_mend", { path: { table: each.table, id: each.id } }))
            }
          >
            {each.back ? "Put back as it could be read" : "Take it out"}
          </Button>
        </Flex>
      ))}
      {found.length > SHOWN && <Box>And {found.length - SHOWN} more.</Box>}
      <Problem of={problem} />
    </Notice>
  );
}
