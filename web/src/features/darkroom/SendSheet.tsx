import { Flex } from "@chakra-ui/react";
import { type FormEvent, useRef, useState } from "react";
import { newId } from "../../api/newId";
import { count } from "../../components/count";
import { dayText, today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { FormFooter } from "../../components/FormFooter";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { BEGUN } from "../../service/service";
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
  const { problem, write, busy, at } = useWrite(close);
  const chosen = group.sheets.filter((each) => !left.includes(each.exposure_id));
  const send = (event: FormEvent) => {
    event.preventDefault();
    const { tank_id, line_id, bottle_ids, temperature_c, minutes } = BEGUN.run;
    void write(
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
    <Sheet
      open
      close={close}
      title={`To a laboratory: ${group.film_name}, ${group.n_text}`}
      footer={
        <FormFooter close={close} form="send" disabled={busy || chosen.length === 0}>
          Send {count(chosen.length, "sheet")}
        </FormFooter>
      }
    >
      <Flex direction="column" gap="4" as="form" id="send" onSubmit={send}>
        <WhichPieces legend="What is sent" group={group} left={left} setLeft={setLeft} />
        <Entry
          label="Laboratory"
          value={laboratory}
          maxLength={80}
          onChange={(event) => setLaboratory(event.target.value)}
          problem={at("run.laboratory")}
        />
        <Entry
          label="Note on the slip"
          help="as in: black-and-white developer, one stop, uncut"
          multiline
          value={note}
          onChange={(event) => setNote(event.target.value)}
          problem={at("run.note")}
        />
        <Problem of={problem} />
      </Flex>
    </Sheet>
  );
}
