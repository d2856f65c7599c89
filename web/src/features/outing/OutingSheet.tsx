import { Flex } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Refusal, Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { deleteOuting, putOuting } from "./queries";

type Outing = Schemas["Outing"];

/** Where, when and in what weather; typed once for the day. */
export function OutingSheet({
  outing,
  known,
  close,
}: {
  outing: Outing;
  known: Schemas["OutingView"][];
  close: () => void;
}) {
  const client = useQueryClient();
  const [draft, setDraft] = useState(outing);
  const [problem, setProblem] = useState<Refusal | null>(null);
  const kept = known.find((each) => each.outing.id === outing.id);
  const act = async (call: Promise<unknown>) => {
    try {
      await call;
      await client.invalidateQueries();
      close();
    } catch (refusal) {
      setProblem(refusal as Refusal);
    }
  };
  const keep = (event: FormEvent) => {
    event.preventDefault();
    void act(putOuting(draft));
  };
  const entry = (field: keyof Outing, label: string, more: object = {}) => (
    <Entry
      label={label}
      value={draft[field]}
      onChange={(event) => setDraft({ ...draft, [field]: event.target.value })}
      problem={problem?.field === field ? problem.message : null}
      {...more}
    />
  );
  return (
    <Sheet
      open
      close={close}
      title={kept ? "Outing" : "New outing"}
      footer={
        <>
          {kept && kept.scenes.length === 0 && (
            <Button variant="quiet" color="brick" onClick={() => act(deleteOuting(outing.id))}>
              Delete outing
            </Button>
          )}
          <Button onClick={close}>Close</Button>
          <Button variant="main" type="submit" form="outing">
            Keep
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="outing" onSubmit={keep}>
        {entry("title", "Title", { autoFocus: true, placeholder: "Fourth outing, thaw" })}
        {entry("day", "Day", { type: "date" })}
        {entry("place", "Place")}
        {entry("conditions", "Weather, light, temperature")}
        {entry("note", "Note", { multiline: true })}
        {problem && !problem.field && <span role="alert">{problem.message}</span>}
      </Flex>
    </Sheet>
  );
}
