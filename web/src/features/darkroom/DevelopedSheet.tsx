import { Box } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/calls";
import { Entry } from "../../components/Entry";
import { FormFooter } from "../../components/FormFooter";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../shared/useWrite";
import { runDeveloped } from "./queries";

/** A run marked developed by hand: how long it really was in the developer is asked then. */
export function DevelopedSheet({ view, close }: { view: Schemas["RunView"]; close: () => void }) {
  const { run } = view;
  const [minutes, setMinutes] = useState(view.minutes_typed);
  const { problem, write, busy, at } = useWrite(close);
  const send = (event: FormEvent) => {
    event.preventDefault();
    void write(runDeveloped(run.id, minutes.trim() ? typedNumber(minutes) : null));
  };
  return (
    <Sheet
      open
      title={`${run.name} is developed`}
      close={close}
      footer={
        <FormFooter close={close} form="developed" disabled={busy}>
          Mark developed
        </FormFooter>
      }
    >
      <form id="developed" onSubmit={send}>
        <Box maxWidth="220px">
          <Entry
            label="Time really given, m:ss"
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
            problem={at("minutes")}
          />
        </Box>
        <Box color="ink2" fontSize="14px" paddingTop="2">
          What your negatives say is worked out from it. Empty: as planned.
        </Box>
        {!at("minutes") && <Problem of={problem} />}
      </form>
    </Sheet>
  );
}
