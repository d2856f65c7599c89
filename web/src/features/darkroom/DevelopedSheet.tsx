import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { Entry } from "../../components/Entry";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { runDeveloped } from "./queries";

/** A run marked developed by hand: how long it really was in the developer is asked then. */
export function DevelopedSheet({ view, close }: { view: Schemas["RunView"]; close: () => void }) {
  const { run } = view;
  const [minutes, setMinutes] = useState(view.minutes_typed);
  const writing = useWrite(close);
  const send = () => {
    void writing.write(runDeveloped(run.id, minutes.trim() ? typedNumber(minutes) : null));
  };
  return (
    <FormSheet
      title={`${run.name} is developed`}
      close={close}
      writing={writing}
      keep={send}
      says="Mark developed"
    >
      <Box maxWidth="220px">
        <Entry
          label="Time really given, m:ss"
          value={minutes}
          onText={setMinutes}
          field="minutes"
        />
      </Box>
      <Small paddingTop="2">
        What your negatives say is worked out from it. Empty: as planned.
      </Small>
    </FormSheet>
  );
}
