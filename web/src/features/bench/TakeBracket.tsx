import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Refusals } from "../../components/refused";
import { asTyped, typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../shared/useWrite";
import { takeBracket } from "./queries";

/** A bracket that is logged already: its frames are the exposures of a development. */
export function TakeBracket({
  test_id,
  brackets,
  close,
}: {
  test_id: string;
  brackets: Schemas["LoggedBracket"][];
  close: () => void;
}) {
  const [chosen, setChosen] = useState(0);
  const bracket = brackets[chosen] ?? brackets[0];
  const [typed, setTyped] = useState<string | null>(null);
  const minutes = typed ?? asTyped(bracket?.minutes ?? null);
  const { write, problem, busy } = useWrite(close);
  if (!bracket) return null;
  return (
    <Refusals of={problem}>
      <Box as="section" aria-label="A bracket that is logged" paddingTop="5">
        <Box paddingBottom="2">
          Or take a bracket of a card, or of any even tone, that is logged on this film:
        </Box>
        <Flex gap="4" wrap="wrap" align="flex-end">
          <Box flex="1 1 320px">
            <Choose
              label="Bracket"
              value={String(chosen)}
              options={brackets.map((each, place) => ({ value: String(place), label: each.says }))}
              onChange={(value) => {
                setChosen(Number(value));
                setTyped(null);
              }}
            />
          </Box>
          <Box width="150px">
            <Entry
              label="Developed, minutes"
              inputMode="decimal"
              value={minutes}
              onText={setTyped}
              field="minutes"
            />
          </Box>
          <Button
            disabled={busy || !minutes.trim()}
            onClick={() =>
              void write(
                takeBracket(test_id, { bracket_id: bracket.id, minutes: typedNumber(minutes) }),
              )
            }
          >
            Use as a development
          </Button>
        </Flex>
        <Problem of={problem} />
      </Box>
    </Refusals>
  );
}
