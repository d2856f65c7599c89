import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Small } from "../../components/text";
import { OFFERED } from "../../service/service";
import { type Judgement, judge } from "../../shared/exposure/queries";
import { useWrite } from "../../shared/useWrite";
import type { Seen } from "./queries";

type Said = Partial<Pick<Judgement, "shadow" | "highlight" | "grain" | "edge" | "tone" | "best">>;

const ASKED = [
  { field: "shadow", label: "Shadows", words: OFFERED.shadows },
  { field: "highlight", label: "Highlights", words: OFFERED.highlights },
  { field: "grain", label: "Grain", words: OFFERED.grains },
  { field: "edge", label: "Edges", words: OFFERED.edges },
  { field: "tone", label: "Gradation", words: OFFERED.gradations },
] as const;

/** What one says of a negative while it lies beside others: one touch a word, kept at once. */
export function Words({ seen }: { seen: Seen }) {
  const [open, setOpen] = useState<Said>({}); // said, and not kept yet
  const { problem, write, busy } = useWrite(() => setOpen({}));
  if (!seen.judged || !seen.piece_id) return null;
  const known = seen.judgement;
  const said = { ...known, ...open };
  const say = (word: Said) => {
    const next = { ...open, ...word };
    const whole = { ...known, ...next };
    setOpen(next);
    if (!whole.shadow || !whole.highlight) return;
    const blank = { at: "", faults: [], note: "", base_fog: null, measured: [], left_out: "" };
    const wanted = { ...blank, ...whole, id: seen.piece_id } as Judgement;
    void write(judge(wanted, seen.judgement_version));
  };
  return (
    <Flex direction="column" gap="1" paddingTop="2">
      {ASKED.map(({ field, label, words }) => (
        <Flex key={field} as="fieldset" align="center" gap="1" wrap="wrap">
          <Box
            as="legend"
            float="left"
            width={{ base: "100%", md: "84px" }}
            color="ink2"
            fontSize="14px"
          >
            {label}
          </Box>
          {words.map(({ value, label: word }) => (
            <Button
              key={value}
              variant="choice"
              width="auto"
              minHeight={{ base: "44px", md: "32px" }}
              paddingInline="2"
              fontSize="14px"
              aria-pressed={said[field] === value}
              disabled={busy}
              onClick={() =>
                say({ [field]: said[field] === value && known ? over(field, value) : value })
              }
            >
              {word}
            </Button>
          ))}
        </Flex>
      ))}
      {seen.in_bracket && known && (
        <Flex as="label" gap="2" align="center" minHeight={{ base: "44px", md: "32px" }}>
          <input
            type="checkbox"
            checked={known.best}
            disabled={busy}
            onChange={(event) => say({ best: event.target.checked })}
          />
          the best frame of its bracket
        </Flex>
      )}
      {!known && Object.keys(open).length > 0 && (
        <Small role="status">Kept once shadows and highlights are both chosen.</Small>
      )}
      <Problem of={problem} />
    </Flex>
  );
}

/** A word touched again is taken back, where there can be none. */
const over = (field: (typeof ASKED)[number]["field"], value: string) =>
  field === "shadow" || field === "highlight" ? value : "";
