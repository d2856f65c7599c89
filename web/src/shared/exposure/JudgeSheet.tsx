import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { devicesQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Fieldset } from "../../components/Fieldset";
import { Problem } from "../../components/Problem";
import { Tick } from "../../components/Tick";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../FormSheet";
import { SeenBefore } from "../picture/SeenBefore";
import { useWrite } from "../useWrite";
import { densitometer, foreseenQuery, type Judgement, judge, spotsQuery } from "./queries";

export type Negative = Pick<
  Schemas["PieceLine"],
  "piece_id" | "where" | "scene_title" | "n_text" | "part_text" | "judgement"
> & {
  /** the version of what was judged before, empty for a first look */
  version: string;
  /** one of several frames of the same picture */
  in_bracket: boolean;
};

type NegativeFault = Judgement["faults"][number];
const LOOKS = [
  { field: "grain", label: "Grain", words: OFFERED.grains },
  { field: "edge", label: "Edges", words: OFFERED.edges },
  { field: "tone", label: "Gradation", words: OFFERED.gradations },
] as const;
const FAULTS = OFFERED.negative_faults.map(({ value }) => value as NegativeFault);

/** What a negative shows on the light table: its two ends, and what went wrong. */
export function JudgeSheet({ line, close }: { line: Negative; close: () => void }) {
  const known = line.judgement;
  const [shadow, setShadow] = useState<Judgement["shadow"]>(known?.shadow ?? "full");
  const [highlight, setHighlight] = useState<Judgement["highlight"]>(known?.highlight ?? "full");
  const [faults, setFaults] = useState<Judgement["faults"]>(known?.faults ?? []);
  const [best, setBest] = useState(known?.best ?? false);
  const [note, setNote] = useState(known?.note ?? "");
  const [looks, setLooks] = useState({
    grain: known?.grain ?? "",
    edge: known?.edge ?? "",
    tone: known?.tone ?? "",
  } as Pick<Judgement, "grain" | "edge" | "tone">);
  const [leftOut, setLeftOut] = useState(known?.left_out ?? "");
  const [fog, setFog] = useState(known?.base_fog == null ? "" : String(known.base_fog));
  const [densities, setDensities] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      (known?.measured ?? []).map((each) => [each.reading_id, String(each.density)]),
    ),
  );
  const writing = useWrite(close);
  const { write } = writing;
  const measured = Object.entries(densities)
    .filter(([, text]) => text.trim())
    .map(([reading_id, text]) => ({ reading_id, density: typedNumber(text) }));
  const wanted = {
    ...{ id: line.piece_id, at: "", shadow, highlight, faults, best, note, ...looks },
    base_fog: fog.trim() ? typedNumber(fog) : null,
    measured,
    left_out: leftOut,
  };
  const keep = (base: string) => write(judge(wanted, base));
  return (
    <FormSheet
      close={close}
      title={[`Judge ${line.where}`, line.scene_title, line.part_text].filter(Boolean).join(", ")}
      writing={writing}
      keep={keep}
      base={line.version}
      mine={wanted}
    >
      <Foreseen piece_id={line.piece_id} />
      <OneOf
        label="Shadows"
        options={OFFERED.shadows}
        value={shadow}
        choose={(word) => setShadow(word as Judgement["shadow"])}
      />
      {shadow === "at_least_full" && (
        <Small>Judged as full before heavy was a word: full, or more.</Small>
      )}
      <OneOf
        label="Highlights"
        options={OFFERED.highlights}
        value={highlight}
        choose={(word) => setHighlight(word as Judgement["highlight"])}
      />
      <Flex gap="6" wrap="wrap">
        {LOOKS.map(({ field, label, words }) => (
          <Choose
            key={field}
            label={label}
            value={looks[field]}
            options={[{ value: "", label: "not said" }, ...words]}
            onChange={(word) => setLooks({ ...looks, [field]: word })}
          />
        ))}
      </Flex>
      <Fieldset legend="Faults">
        <Flex wrap="wrap" columnGap="5">
          {FAULTS.map((fault) => (
            <Box as="label" key={fault} display="flex" gap="2" minHeight="44px" alignItems="center">
              <input
                type="checkbox"
                checked={faults.includes(fault)}
                onChange={(event) =>
                  setFaults(
                    event.target.checked
                      ? [...faults, fault]
                      : faults.filter((each) => each !== fault),
                  )
                }
              />
              {fault}
            </Box>
          ))}
        </Flex>
      </Fieldset>
      {line.in_bracket && (
        <Tick on={best} set={setBest}>
          the best frame of its bracket
        </Tick>
      )}
      <Densities
        piece_id={line.piece_id}
        fog={fog}
        setFog={setFog}
        densities={densities}
        setDensities={setDensities}
      />
      <Entry label="Note" multiline value={note} onText={setNote} field="note" />
      <Entry
        label="Leave it out of learning, because"
        help="Empty: it counts. A leak, a wrong bath, another film in the holder."
        value={leftOut}
        onText={setLeftOut}
        field="left_out"
      />
    </FormSheet>
  );
}

/** The print that was foretold: what the negative is looked at against. */
function Foreseen({ piece_id }: { piece_id: string }) {
  const { data } = useQuery(foreseenQuery(piece_id));
  if (!data) return null;
  return (
    <Box as="section" aria-label="Seen before the shutter">
      <Small paddingBottom="2">
        Seen before the shutter. Does the negative hold what this print shows?
      </Small>
      <SeenBefore id={data.exposure_id} pictureId={data.picture_id} />
    </Box>
  );
}

/** With a densitometer: what stands at the spots that were metered. */
function Densities({
  piece_id,
  fog,
  setFog,
  densities,
  setDensities,
}: {
  piece_id: string;
  fog: string;
  setFog: (text: string) => void;
  densities: Record<string, string>;
  setDensities: (change: (before: Record<string, string>) => Record<string, string>) => void;
}) {
  const spots = useQuery(spotsQuery(piece_id)).data ?? [];
  const simulated = useQuery(devicesQuery).data?.simulated;
  const [open, setOpen] = useState(fog !== "");
  if (spots.length === 0) return null;
  if (!open)
    return (
      <Box>
        <Button variant="quiet" onClick={() => setOpen(true)}>
          Add densities at the metered spots
        </Button>
      </Box>
    );
  const read = (id: string, place: number) =>
    void densitometer(place).then((found) =>
      setDensities((before) => ({ ...before, [id]: found.text })),
    );
  return (
    <Fieldset legend="Densities at the metered spots">
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
        <Entry
          label="Clear film"
          field="base_fog"
          inputMode="decimal"
          value={fog}
          onText={setFog}
        />
        {spots.map((each) => (
          <Flex key={each.reading_id} gap="2" align="flex-end">
            <Entry
              label={`${each.label}, on ${each.zone_text}`}
              inputMode="decimal"
              value={densities[each.reading_id] ?? ""}
              onText={(text) => setDensities((before) => ({ ...before, [each.reading_id]: text }))}
            />
            {simulated && (
              <Button
                aria-label={`Read ${each.label} with the simulated densitometer`}
                onClick={() => read(each.reading_id, each.patch)}
              >
                Read
              </Button>
            )}
          </Flex>
        ))}
      </Grid>
      <Problem field="measured" />
    </Fieldset>
  );
}

function OneOf<T extends string>({
  label,
  options,
  value,
  choose,
}: {
  label: string;
  options: readonly { value: T; label: string }[];
  value: T | "at_least_full";
  choose: (value: T) => void;
}) {
  return (
    <Fieldset legend={label}>
      <Flex gap="2">
        {options.map((each) => (
          <Button
            key={each.value}
            flex="1"
            borderWidth="1px"
            variant={each.value === value ? "main" : "plain"}
            aria-pressed={each.value === value}
            aria-label={`${label}: ${each.label}`}
            onClick={() => choose(each.value)}
          >
            {each.label}
          </Button>
        ))}
      </Flex>
    </Fieldset>
  );
}
