import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import { watchText } from "../../clock/state";
import { useTicks } from "../../clock/useTicks";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Refusals } from "../../components/refused";
import { typedNumber } from "../../components/typedNumber";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { clear } from "./queries";

/** The clearing test: a snip of film in the fixer in the light; twice the time it takes is enough. */
export function Clearing() {
  const bottles = offered(useQuery(kitQuery).data?.bottles).filter((each) => each.kind === "fixer");
  const [since, setSince] = useState<number | null>(null);
  const now = useTicks(since !== null);
  const [seconds, setSeconds] = useState("");
  const [bottle, setBottle] = useState("");
  const [tabular, setTabular] = useState("no");
  const [answer, setAnswer] = useState<Schemas["Cleared"] | null>(null);
  const { problem, write, busy } = useWrite();
  const stop = () => {
    if (since === null) return;
    setSeconds(String(Math.max(1, Math.round((Date.now() - since) / 1000))));
    setSince(null);
  };
  const test = () =>
    write(
      clear({
        clearing_s: typedNumber(seconds),
        tabular: tabular === "yes",
        bottle_id: bottle || null,
      }),
      { at_once: setAnswer },
    );
  return (
    <Refusals of={problem}>
      <Box as="section" aria-label="Clearing test" maxWidth="720px" paddingTop="6">
        <Box as="h2" fontSize="19px" borderTop="2px solid" borderColor="ink" paddingTop="2">
          Clearing test
        </Box>
        <Box color="ink2" paddingBottom="3">
          A snip of undeveloped film in the fixer, in the light: how long until it is clear?
        </Box>
        <Flex gap="4" wrap="wrap" align="flex-start">
          <Button marginTop="25px" onClick={since === null ? () => setSince(Date.now()) : stop}>
            {since === null ? "Start" : `Stop when clear: ${watchText((now - since) / 1000)}`}
          </Button>
          <Box width="120px">
            <Entry
              label="Seconds"
              inputMode="decimal"
              value={seconds}
              onText={setSeconds}
              field="clearing_s"
            />
          </Box>
          <Box width="180px">
            <Choose
              label="Tabular grain"
              value={tabular}
              options={[
                { value: "no", label: "no (2 × clearing time)" },
                { value: "yes", label: "yes (3 × clearing time)" },
              ]}
              onChange={setTabular}
            />
          </Box>
          <Box width="200px">
            <Choose
              label="Save to"
              value={bottle}
              options={named(bottles, "no bottle")}
              onChange={setBottle}
              field="bottle_id"
            />
          </Box>
          <Button marginTop="25px" disabled={busy || !seconds.trim()} onClick={test}>
            Work out fixing time
          </Button>
        </Flex>
        {answer && (
          <Box role="status" paddingTop="2">
            <Box fontSize="26px" fontWeight={620}>
              {answer.says}
            </Box>
            {answer.trouble && <Notice tone="warning">{answer.trouble}</Notice>}
          </Box>
        )}
        <Problem of={problem} />
      </Box>
    </Refusals>
  );
}
