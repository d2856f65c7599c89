import { Box, Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Conflict } from "../Conflict";
import { useWrite } from "../useWrite";
import { type Judgement, judge } from "./queries";

export type Negative = Pick<
  Schemas["PieceLine"],
  "piece_id" | "where" | "scene_title" | "n_text" | "part_text" | "judgement"
> & {
  /** the version of what was judged before, empty for a first look */
  version: string;
  /** one of several frames of the same picture */
  in_bracket: boolean;
};

const SHADOWS = [
  { value: "none", label: "no texture" },
  { value: "thin", label: "thin" },
  { value: "full", label: "full" },
] as const;
const HIGHLIGHTS = [
  { value: "flat", label: "flat" },
  { value: "full", label: "full" },
  { value: "blocked", label: "blocked" },
] as const;
const FAULTS = [
  "scratch, emulsion side",
  "scratch, base side",
  "fog",
  "uneven",
  "blank",
  "dust",
  "other",
] as const;

/** What a negative shows on the light table: its two ends, and what went wrong. */
export function JudgeSheet({ line, close }: { line: Negative; close: () => void }) {
  const known = line.judgement;
  const [shadow, setShadow] = useState<Judgement["shadow"]>(known?.shadow ?? "full");
  const [highlight, setHighlight] = useState<Judgement["highlight"]>(known?.highlight ?? "full");
  const [faults, setFaults] = useState<Judgement["faults"]>(known?.faults ?? []);
  const [best, setBest] = useState(known?.best ?? false);
  const [note, setNote] = useState(known?.note ?? "");
  const { problem, write, busy, take, at } = useWrite(close);
  const wanted = { id: line.piece_id, at: "", shadow, highlight, faults, best, note };
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
        <>
          <Button onClick={close}>Cancel</Button>
          <Button variant="main" type="submit" form="judge" disabled={busy}>
            Save
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="judge" onSubmit={submit}>
        <OneOf label="Shadows" options={SHADOWS} value={shadow} choose={setShadow} />
        <OneOf label="Highlights" options={HIGHLIGHTS} value={highlight} choose={setHighlight} />
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
          <Box as="label" display="flex" gap="2" minHeight="44px" alignItems="center">
            <input
              type="checkbox"
              checked={best}
              onChange={(event) => setBest(event.target.checked)}
            />
            the best frame of its bracket
          </Box>
        )}
        <Entry
          label="Note"
          multiline
          value={note}
          onChange={(event) => setNote(event.target.value)}
          problem={at("note")}
        />
        <Problem of={problem} fields={["note"]} />
        <Conflict problem={problem} mine={wanted} keep={keep} take={take} />
      </Flex>
    </Sheet>
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
  value: T;
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
