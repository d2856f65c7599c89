import { useRef, useState } from "react";
import { newId } from "../../api/newId";
import { count } from "../../components/count";
import { dayText, today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { BEGUN } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { type Group, newRun } from "../../shared/runs";
import { useKeptText } from "../../shared/useKeptText";
import { useWrite } from "../../shared/useWrite";
import { beginRun } from "./queries";
import { WhichPieces } from "./WhichPieces";

/** Film that is developed elsewhere: where it goes, and what is said with it on its slip. */
export function SendSheet({ group, close }: { group: Group; close: () => void }) {
  const id = useRef(newId());
  const [left, setLeft] = useState<string[]>([]);
  const [laboratory, setLaboratory] = useKeptText("laboratory");
  const [note, setNote] = useState("");
  const writing = useWrite(close);
  const chosen = group.sheets.filter((each) => !left.includes(each.exposure_id));
  const send = () => {
    const { tank_id, line_id, bottle_ids, temperature_c, minutes } = BEGUN.run;
    void writing.write(
      beginRun({
        run: {
          ...newRun({
            ...{ tank_id, line_id, bottle_ids, temperature_c, minutes },
            id: id.current,
            name: `${laboratory || "Laboratory"}, ${dayText(today())}`,
            recipe_id: null,
            n: group.n,
            laboratory: laboratory || "a laboratory",
          }),
          note,
        },
        piece_ids: chosen.flatMap((each) => each.piece_ids),
      }),
    );
  };
  return (
    <FormSheet
      close={close}
      title={`To a laboratory: ${group.film_name}, ${group.n_text}`}
      writing={writing}
      keep={send}
      says={<>Send {count(chosen.length, "sheet")}</>}
      unready={chosen.length === 0}
    >
      <WhichPieces legend="What is sent" group={group} left={left} setLeft={setLeft} />
      <Entry
        label="Laboratory"
        value={laboratory}
        maxLength={80}
        onText={setLaboratory}
        field="run.laboratory"
      />
      <Entry
        label="Note on the slip"
        help="as in: black-and-white developer, one stop, uncut"
        multiline
        value={note}
        onText={setNote}
        field="run.note"
      />
    </FormSheet>
  );
}
