import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { act } from "../api/acts";
import { question } from "../api/ask";
import { Button } from "../components/Button";
import { momentText } from "../components/days";
import { Notice } from "../components/Notice";
import { Problem } from "../components/Problem";
import { Sheet } from "../components/Sheet";
import { Quiet, Small } from "../components/text";
import { useWrite } from "./useWrite";

/** A word that opens what was done to a record, change by change. */
export function History({ id, after }: { id: string; after?: () => void }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="quiet" paddingInline="2" onClick={() => setOpen(true)}>
        History
      </Button>
      {open && <HistorySheet id={id} close={() => setOpen(false)} after={after} />}
    </>
  );
}

function HistorySheet({
  id,
  close,
  after,
}: {
  id: string;
  close: () => void;
  after?: (() => void) | undefined;
}) {
  const events = useQuery({ ...question("history_read", { path: { id } }), gcTime: 0 });
  const { write, problem, busy } = useWrite(() => {
    close();
    after?.();
  });
  const restore = (action_id: number) =>
    write(act("history_restore", { path: { id }, body: { action_id, act_id: null } }));
  return (
    <Sheet
      open
      close={close}
      title="Change history"
      footer={<Button onClick={close}>Close</Button>}
    >
      {events.data?.length === 0 && <Quiet>No changes yet.</Quiet>}
      {events.error && (
        <Notice tone="warning" live>
          {events.error.message}
        </Notice>
      )}
      <Box as="ol">
        {events.data?.map((event) => (
          <Box
            as="li"
            key={event.action_id}
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="2"
          >
            <Flex justify="space-between" align="baseline" gap="3">
              <Box>
                <b>{event.label}</b>
                {event.undone && <Box as="span"> · undone</Box>}
                <Small>{momentText(event.at)}</Small>
              </Box>
              {event.restorable && (
                <Button disabled={busy} onClick={() => restore(event.action_id)}>
                  Restore earlier version
                </Button>
              )}
            </Flex>
            <Box as="ul" fontSize="14px" color="ink2">
              {event.differences.slice(0, MOST).map((each) => (
                <Box as="li" key={each.field} overflowWrap="anywhere">
                  {each.field}: {each.before} → {each.after}
                </Box>
              ))}
              {event.differences.length > MOST && (
                <li>and {event.differences.length - MOST} more fields</li>
              )}
            </Box>
          </Box>
        ))}
      </Box>
      <Problem of={problem} />
    </Sheet>
  );
}

const MOST = 8;
