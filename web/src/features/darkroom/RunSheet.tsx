import { Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { count } from "../../components/count";
import { dayText, today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { AddSet, BATH_SETS, TANK_SETS } from "../../shared/AddSet";
import { Bottles, useBottles } from "../../shared/Bottles";
import { FormSheet } from "../../shared/FormSheet";
import { offered } from "../../shared/offered";
import { type Group, matesQuery, newRun, weighQuery } from "../../shared/runs";
import { useDegrees } from "../../shared/useDegrees";
import { useWrite } from "../../shared/useWrite";
import { beginRun } from "./queries";
import { WhichPieces } from "./WhichPieces";

/** A row of the sum in a word: what it is, and what it does. */
const part = (row: Schemas["TimeRow"]) => `${row.label} ${row.factor_text}`.trim();

/** Which of a group goes into one run, for how long and how warm. */
export function RunSheet({
  group,
  warm,
  close,
}: {
  group: Group;
  /** how warm the darkroom is, as typed there */
  warm: string;
  close: () => void;
}) {
  const id = useRef(newId());
  const [left, setLeft] = useState<string[]>([]);
  const [typedName, setName] = useState<string | null>(null);
  const kit = useQuery(kitQuery).data;
  const tanks = offered(kit?.tanks);
  const lines = offered(kit?.lines);
  const [tank, setTank] = useState<string | null>(null);
  const [line, setLine] = useState<string | null>(null);
  const tank_id = tank ?? kit?.usual.tanks ?? "";
  const line_id = line ?? kit?.usual.lines ?? "";
  const bottles = useBottles();
  const { unit, said } = useDegrees();
  const [typed, setTyped] = useState<string | null>(null);
  const degrees = typed ?? warm;
  const temperature_c = degrees.trim() ? said(degrees) : null;
  const bottle_ids = bottles.chosen.map((each) => each.id);
  // what is chosen here moves the minutes: a tank that always turns, how warm it is, an old bottle
  const trial = {
    piece_id: group.sheets[0]?.piece_ids[0] ?? "",
    choice: group.choice,
    temperature_c,
    temperature_f: null,
    tank_id: tank_id || null,
    bottle_ids,
  };
  const asked = { enabled: group.recipe_id !== null, placeholderData: keepPreviousData };
  const weighed = useQuery({ ...weighQuery(trial), ...asked });
  const mates = useQuery({ ...matesQuery(trial), ...asked }).data ?? [];
  const [with_, setWith] = useState<string | null>(null);
  const mate = mates.find((each) => each.piece_ids[0] === with_);
  const worked = weighed.error ? null : weighed.data;
  const [typedMinutes, setMinutes] = useState<string | null>(null);
  const minutes = typedMinutes ?? mate?.clock_text ?? worked?.clock_text ?? "";
  const both = mate ? ` with ${mate.film_name} ${mate.n_text}` : "";
  const name = typedName ?? `${group.film_name} ${group.n_text}${both}, ${dayText(today())}`;
  const writing = useWrite(close);
  const chosen = group.sheets.filter((each) => !left.includes(each.exposure_id));
  const begin = () => {
    void writing.write(
      beginRun({
        run: newRun({
          id: id.current,
          name,
          recipe_id: group.recipe_id,
          note: mate?.says ?? "",
          n: group.n,
          minutes:
            typedMinutes === null
              ? (mate?.minutes ?? worked?.clock_minutes ?? null)
              : typedMinutes.trim()
                ? typedNumber(typedMinutes)
                : null,
          temperature_c,
          tank_id: tank_id || null,
          line_id: line_id || null,
          bottle_ids,
        }),
        piece_ids: [...chosen.flatMap((each) => each.piece_ids), ...(mate?.piece_ids ?? [])],
      }),
    );
  };
  return (
    <FormSheet
      close={close}
      title={`Run: ${group.film_name}, ${group.n_text}`}
      writing={writing}
      keep={begin}
      says={<>Add {count(chosen.length + (mate?.piece_ids.length ?? 0), "sheet")} to run</>}
      unready={chosen.length === 0}
    >
      <WhichPieces
        legend="As many as your tank or tray holds"
        group={group}
        left={left}
        setLeft={setLeft}
      />
      <Entry label="Name" value={name} onText={setName} field="run.name" />
      <Grid templateColumns="1fr 1fr" gap="4">
        <Entry
          label="Development time"
          help="as 6:50"
          value={minutes}
          onText={setMinutes}
          field="run.minutes"
        />
        <Entry
          label={`Temperature, ${unit}`}
          inputMode="decimal"
          value={degrees}
          onText={setTyped}
          field="run.temperature_c"
          problem={weighed.error?.message}
        />
      </Grid>
      {worked && (
        <Small role="status">
          {mate ? mate.says : `${worked.minutes_text}: ${worked.ledger.map(part).join(", ")}`}
        </Small>
      )}
      {mates.length > 0 && (
        <Choose
          label="With it in the tank"
          value={with_ ?? ""}
          options={[
            { value: "", label: "nothing else" },
            ...mates.map((each) => ({
              value: each.piece_ids[0] ?? "",
              label: `${each.film_name} ${each.n_text}, ${each.count_text}: ${each.says}`,
            })),
          ]}
          onChange={(next) => setWith(next || null)}
        />
      )}
      {kit && tanks.length === 0 && <AddSet empty="No tank or tray yet." sets={TANK_SETS} />}
      {kit && lines.length === 0 && <AddSet empty="No bath sequence yet." sets={BATH_SETS} />}
      <Grid templateColumns="1fr 1fr" gap="4">
        <Choose
          label="Tank or tray"
          value={tank_id}
          options={tanks.map((each) => ({
            value: each.id,
            label: `${each.name}, ${each.holds} sheets`,
          }))}
          onChange={setTank}
          field="piece_ids"
        />
        <Choose label="Bath sequence" value={line_id} options={named(lines)} onChange={setLine} />
      </Grid>
      <Bottles bottles={bottles} />
    </FormSheet>
  );
}
