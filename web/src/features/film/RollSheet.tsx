import { Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { Conflict } from "../../shared/Conflict";
import { History } from "../../shared/History";
import { useWrite } from "../../shared/useWrite";
import { putRoll } from "./queries";

/** What may be changed of a roll: its camera and back, its rating while unexposed, its note. */
export function RollSheet({ view, close }: { view: Schemas["RollView"]; close: () => void }) {
  const { roll } = view;
  const cameras = useQuery(kitQuery).data?.cameras ?? [];
  const [began] = useState(view.version);
  const [draft, setDraft] = useState(roll);
  const [ei, setEi] = useState(String(roll.exposure_index ?? ""));
  const { problem, write, take, at } = useWrite(close);
  const wanted = { ...draft, exposure_index: ei.trim() ? typedNumber(ei) : null };
  const keep = (base: string) => write(putRoll(wanted, base));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep(began);
  };
  return (
    <Sheet
      open
      close={close}
      title={`Roll ${roll.number}`}
      footer={
        <>
          <History id={roll.id} after={close} />
          <Button onClick={close}>Cancel</Button>
          <Button variant="main" type="submit" form="change-roll">
            Save
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="change-roll" onSubmit={submit}>
        <Grid templateColumns="1fr 1fr" gap="4">
          <Choose
            label="Camera"
            value={draft.camera_id ?? ""}
            options={[
              { value: "", label: "not set" },
              ...cameras.map((each) => ({ value: each.id, label: each.name })),
            ]}
            onChange={(id) => setDraft({ ...draft, camera_id: id || null })}
            problem={at("camera_id")}
          />
          <Entry
            label="Back"
            value={draft.back}
            onChange={(event) => setDraft({ ...draft, back: event.target.value })}
            problem={at("back")}
          />
        </Grid>
        <Entry
          label="EI for the whole roll"
          help="Fixed once a frame is exposed."
          inputMode="decimal"
          value={ei}
          onChange={(event) => setEi(event.target.value)}
          problem={at("exposure_index")}
        />
        {ei.trim() !== "" && (
          <Choose
            label="Why at this EI"
            value={draft.rating_reason ?? ""}
            options={OFFERED.rating_reasons}
            onChange={(value) =>
              setDraft({ ...draft, rating_reason: (value || null) as typeof roll.rating_reason })
            }
          />
        )}
        <Entry
          label="Note"
          multiline
          value={draft.note}
          onChange={(event) => setDraft({ ...draft, note: event.target.value })}
          problem={at("note")}
        />
        <Problem of={problem} fields={["camera_id", "back", "exposure_index", "note"]} />
        <Conflict problem={problem} mine={wanted} keep={keep} take={take} />
      </Flex>
    </Sheet>
  );
}
