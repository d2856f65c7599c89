import { Box, Flex, Grid } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { Quiet, Small } from "../../components/text";

export interface Clash {
  piece_id: string;
  label: string;
  here: string[];
  there: string[];
}

type Decided = Record<string, "here" | "there">;

/** Film that went two ways, on this machine and in an archive: both stories, and which is kept. */
export function TwoStories({
  clashes,
  decide,
}: {
  clashes: Clash[];
  decide: (decided: Decided) => void;
}) {
  const [decided, setDecided] = useState<Decided>({});
  const open = clashes.filter((each) => !decided[each.piece_id]).length;
  return (
    <Flex direction="column" gap="4">
      <Box>
        {count(clashes.length, "piece")} of film went two ways. Nothing is imported yet; choose one
        for each. Undo brings the other back.
      </Box>
      {clashes.map((each) => (
        <Box as="fieldset" key={each.piece_id} border="1px solid" borderColor="line" padding="3">
          <Box as="legend" fontWeight={600} paddingInline="1">
            {each.label || "A sheet in no holder"}
          </Box>
          <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
            {(["here", "there"] as const).map((side) => (
              <Flex as="label" key={side} gap="3" minHeight="44px" cursor="pointer">
                <input
                  type="radio"
                  style={{ alignSelf: "flex-start", marginTop: 6 }}
                  name={each.piece_id}
                  checked={decided[each.piece_id] === side}
                  onChange={() => setDecided({ ...decided, [each.piece_id]: side })}
                />
                <Box>
                  <b>{side === "here" ? "Use this log" : "Use the archive"}</b>
                  {each[side].map((line) => (
                    <Small key={line}>{line}</Small>
                  ))}
                </Box>
              </Flex>
            ))}
          </Grid>
        </Box>
      ))}
      <Flex gap="3" align="center">
        <Button variant="main" disabled={open > 0} onClick={() => decide(decided)}>
          Import
        </Button>
        {open > 0 && <Quiet>{open} not decided</Quiet>}
      </Flex>
    </Flex>
  );
}
