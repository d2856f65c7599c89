import { Box, Flex } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { FileLink } from "../../shared/FileLink";
import { useWrite } from "../../shared/useWrite";
import { deleteAll } from "./queries";

/** What is kept of practice: taken out, or deleted whole. */
export function KeptSheet({ close }: { close: () => void }) {
  const { write, problem, busy } = useWrite(close);
  return (
    <Sheet
      open
      close={close}
      title="What is kept of practice"
      footer={
        <>
          <Button color="brick" disabled={busy} onClick={() => void write(deleteAll())}>
            Delete all practice
          </Button>
          <Button onClick={close}>Close</Button>
        </>
      }
    >
      <Flex direction="column" gap="3">
        <Box>
          Answers and practised scenes are kept apart: they are in no log, no stock, no table and no
          statistics of yours. Deleting them touches nothing else, and can be undone.
        </Box>
        <FileLink href="/api/practice/answers.csv">Answers as a table (CSV)</FileLink>
        <FileLink href="/api/practice/everything.json">Everything of practice (JSON)</FileLink>
        <Problem of={problem} />
      </Flex>
    </Sheet>
  );
}
