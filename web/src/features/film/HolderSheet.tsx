import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { formatsQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Fieldset } from "../../components/Fieldset";
import { Problem } from "../../components/Problem";
import { Tick } from "../../components/Tick";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { History } from "../../shared/History";
import { stateWord } from "../../shared/states";
import { useWrite } from "../../shared/useWrite";
import { deleteHolder, putHolder } from "./queries";

type Side = Schemas["SideView"];
type Fault = Schemas["Holder"]["faults"][number];

const PLACES = [
  { value: "", label: "both sides" },
  { value: "A", label: "side A" },
  { value: "B", label: "side B" },
];

/** A holder: what each side tells, its number and format, what is wrong with it. */
export function HolderSheet({ view, close }: { view: Schemas["HolderView"]; close: () => void }) {
  const formats = useQuery(formatsQuery).data ?? [];
  const [draft, setDraft] = useState(view.holder);
  const [number, setNumber] = useState(String(view.holder.number));
  const writing = useWrite(close);
  const wanted = { ...draft, number: typedNumber(number) };
  const keep = (base: string) => writing.write(putHolder(wanted, base));
  const retire = () =>
    writing.write(putHolder({ ...wanted, retired: !draft.retired }, view.version));
  const empty = view.sides.every((side) => side.state === "empty");
  return (
    <FormSheet
      close={close}
      title={`Holder ${view.holder.number}`}
      writing={writing}
      keep={keep}
      base={view.version}
      mine={wanted}
      beside={
        <>
          {empty && (
            <>
              <Button
                variant="quiet"
                paddingInline="2"
                color="brick"
                onClick={() => writing.write(deleteHolder(view.holder.id))}
              >
                Delete
              </Button>
              <Button variant="quiet" paddingInline="2" onClick={retire}>
                {view.holder.retired ? "Use again" : "Retire"}
              </Button>
            </>
          )}
          <History id={view.holder.id} after={close} />
        </>
      }
    >
      {view.sides.map((side) => (
        <Box key={side.side} borderBottom="1px solid" borderColor="line" paddingBottom="2">
          <b>Side {side.side}</b> · <Told side={side} />
        </Box>
      ))}
      <Grid templateColumns="1fr 1fr" gap="4">
        <Entry
          label="Number"
          inputMode="numeric"
          value={number}
          onText={setNumber}
          field="number"
        />
        <Choose
          label="Format"
          value={draft.format}
          options={formats
            .filter((each) => each.kind === "sheet")
            .map((each) => ({ value: each.key, label: each.name }))}
          onChange={(format) => setDraft({ ...draft, format })}
          field="format"
        />
      </Grid>
      <Faults faults={draft.faults} change={(faults) => setDraft({ ...draft, faults })} />
      <Entry
        label="Note"
        value={draft.note}
        onText={(text) => setDraft({ ...draft, note: text })}
        field="note"
      />
    </FormSheet>
  );
}

function Told({ side }: { side: Side }) {
  if (side.state === "empty") return <>empty; touch it on the board to load it</>;
  if (side.state === "loaded") return <>{side.film_name}, unexposed</>;
  return (
    <>
      {side.film_name}, {stateWord(side.state)},{" "}
      <Link to={`/log/${side.exposure_id}`}>{side.scene_title}</Link>,{" "}
      {[side.n_text, side.part_text].filter(Boolean).join(", ")}
    </>
  );
}

function Faults({ faults, change }: { faults: Fault[]; change: (faults: Fault[]) => void }) {
  const set = (place: number, more: Partial<Fault>) =>
    change(faults.map((each, at) => (at === place ? { ...each, ...more } : each)));
  return (
    <Fieldset legend="Light leaks and damage">
      {faults.map((fault, place) => (
        <Grid
          // biome-ignore lint/suspicious/noArrayIndexKey: a fault has no name of its own
          key={place}
          templateColumns="1fr 1fr"
          gap="2"
          borderBottom="1px solid"
          borderColor="line"
          paddingBlock="2"
        >
          <Choose
            label="What"
            value={fault.kind}
            options={OFFERED.holder_faults}
            onChange={(kind) => set(place, { kind: kind as Fault["kind"] })}
          />
          <Choose
            label="Where"
            value={fault.side ?? ""}
            options={PLACES}
            onChange={(side) => set(place, { side: (side || null) as Fault["side"] })}
          />
          <Entry
            label={`Noticed ${fault.noticed}`}
            value={fault.note}
            placeholder="corner, near the slide"
            onText={(text) => set(place, { note: text })}
          />
          <Flex align="end" justify="space-between" gap="2">
            <Tick on={fault.mended} set={(on) => set(place, { mended: on })}>
              mended
            </Tick>
            <Button
              variant="quiet"
              paddingInline="2"
              onClick={() => change(faults.filter((_, at) => at !== place))}
            >
              Remove
            </Button>
          </Flex>
        </Grid>
      ))}
      <Problem field="faults" />
      <Button
        variant="word"
        onClick={() =>
          change([
            ...faults,
            { kind: "light leak", noticed: today(), side: null, note: "", mended: false },
          ])
        }
      >
        Add a fault
      </Button>
    </Fieldset>
  );
}
