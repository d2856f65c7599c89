import { Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
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
  const writing = useWrite(close);
  const wanted = { ...draft, exposure_index: ei.trim() ? typedNumber(ei) : null };
  const keep = (base: string) => writing.write(putRoll(wanted, base));
  return (
    <FormSheet
      close={close}
      title={`Roll ${roll.number}`}
      writing={writing}
      keep={keep}
      base={began}
      mine={wanted}
      beside={<History id={roll.id} after={close} />}
    >
      <Grid templateColumns="1fr 1fr" gap="4">
        <Choose
          label="Camera"
          value={draft.camera_id ?? ""}
          options={named(cameras, "not set")}
          onChange={(id) => setDraft({ ...draft, camera_id: id || null })}
          field="camera_id"
        />
        <Entry
          label="Back"
          value={draft.back}
          onText={(text) => setDraft({ ...draft, back: text })}
          field="back"
        />
      </Grid>
      <Entry
        label="EI for the whole roll"
        help="Fixed once a frame is exposed."
        inputMode="decimal"
        value={ei}
        onText={setEi}
        field="exposure_index"
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
        onText={(text) => setDraft({ ...draft, note: text })}
        field="note"
      />
    </FormSheet>
  );
}
