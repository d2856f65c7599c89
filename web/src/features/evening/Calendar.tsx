import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { save } from "../../components/save";
import { useWrite } from "../../shared/useWrite";
import { calendarOf, type Planning } from "./queries";

/** The next half hour, as a date field writes it. */
function soon(): string {
  const at = new Date(Math.ceil(Date.now() / 1_800_000) * 1_800_000);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

/** The planned evening for the calendar, from a moment on. */
export function Calendar({ planning }: { planning: Planning }) {
  const [begins, setBegins] = useState(soon);
  const { problem, ask, busy } = useWrite();
  const take = () =>
    ask(async () => {
      const file = await calendarOf({ planning, begins_at: new Date(begins).toISOString() });
      save(file, "emulsa-evening.ics");
    });
  return (
    <Flex gap="3" align="flex-end" wrap="wrap">
      <Box width="240px">
        <Entry label="Start" type="datetime-local" value={begins} onText={setBegins} />
      </Box>
      <Button disabled={busy || !begins} onClick={take}>
        Calendar file
      </Button>
      <Problem of={problem} />
    </Flex>
  );
}
