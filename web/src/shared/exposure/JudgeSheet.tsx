import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/calls";
import { devicesQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { FormFooter } from "../../components/FormFooter";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Tick } from "../../components/Tick";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { Conflict } from "../Conflict";
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
  const { problem, write, busy, take, at } = useWrite(close);
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
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep(line.version);
  };
  return (
    <Sheet
      open
      close={close}
      title={[`Judge ${line.where}`, line.scene_title, line.part_text].filter(Boolean).join(", ")}
      footer={
        <FormFooter close={close} form="judge" disabled={busy}>
          Save
        </FormFooter>
      }
    >
      <Flex direction="column" gap="4" as="form" id="judge" onSubmit={submit}>
        <Foreseen piece_id={line.piece_id} />
        <OneOf
          label="Shadows"
          options={OFFERED.shadows}
          value={shadow}
          choose={(word) => setShadow(word as Judgement["shadow"])}
        />
        {shadow === "at_least_full" && (
          <Box fontSize="14px" color="ink2">
            Judged as full before heavy was a word: full, or more.
          </Box>
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
        <Box as="fieldset">
          <Box as="legend" fontSize="14px" color="ink2">
            Faults
          </Box>
          <Flex wrap="wrap" columnGap="5">
            {FAULTS.map((fault) => (
              <Box
                as="label"
                key={fault}
                display="flex"
                gap="2"
                minHeight="44px"
                alignItems="center"
              >
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
        </Box>
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
          problem={
            problem?.field?.startsWith("measured") || problem?.field === "base_fog"
              ? problem.message
              : null
          }
        />
        <Entry
          label="Note"
          multiline
          value={note}
          onChange={(event) => setNote(event.target.value)}
          problem={at("note")}
        />
        <Entry
          label="Leave it out of learning, because"
          help="Empty: it counts. A leak, a wrong bath, another film in the holder."
          value={leftOut}
          onChange={(event) => setLeftOut(event.target.value)}
          problem={at("left_out")}
        />
        <Problem of={problem} fields={["note", "base_fog", "measured", "left_out"]} />
        <Conflict problem={problem} mine={wanted} keep={keep} take={take} />
      </Flex>
    </Sheet>
  );
}

/** The print that was foretold: what the negative is looked at against. */
function Foreseen({ piece_id }: { piece_id: string }) {
  const { data } = useQuery(foreseenQuery(piece_id));
  if (!data) return null;
  return (
    <Box as="section" aria-label="Seen before the shutter">
      <Box fontSize="14px" color="ink2" paddingBottom="2">
        Seen before the shutter. Does the negative hold what this print shows?
      </Box>
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
  problem,
}: {
  piece_id: string;
  fog: string;
  setFog: (text: string) => void;
  densities: Record<string, string>;
  setDensities: (change: (before: Record<string, string>) => Record<string, string>) => void;
  problem: string | null;
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
    <Box as="fieldset">
      <Box as="legend" fontSize="14px" color="ink2" paddingBottom="2">
        Densities at the metered spots
      </Box>
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
        <Entry
          label="Clear film"
          inputMode="decimal"
          value={fog}
          onChange={(event) => setFog(event.target.value)}
        />
        {spots.map((each) => (
          <Flex key={each.reading_id} gap="2" align="flex-end">
            <Entry
              label={`${each.label}, on ${each.zone_text}`}
              inputMode="decimal"
              value={densities[each.reading_id] ?? ""}
              onChange={(event) => {
                const { value } = event.target;
                setDensities((before) => ({ ...before, [each.reading_id]: value }));
              }}
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
      <Problem text={problem} />
    </Box>
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
    <Box as="fieldset">
      <Box as="legend" fontSize="14px" color="ink2">
        {label}
      </Box>
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
    </Box>
  );
}
