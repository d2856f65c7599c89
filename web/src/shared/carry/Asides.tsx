import { Box, Flex } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../components/Button";
import { momentText } from "../../components/days";
import { Notice } from "../../components/Notice";
import { Sheet } from "../../components/Sheet";
import { Quiet } from "../../components/text";
import { LogItOn } from "./LogItOn";
import { type Aside, asidesQuery, carryQuery, decide, type Otherwise } from "./queries";

/** What was done out there and could not be done here as it was: both stories, and what becomes of it. */
export function Asides({ close }: { close: () => void }) {
  const client = useQueryClient();
  const asides = useQuery(asidesQuery).data ?? [];
  const [problem, setProblem] = useState<string | null>(null);
  const open = asides.filter((each) => each.fate === "");
  const notes = asides.filter((each) => each.fate === "note");
  const chosen: Chosen = async (aside, how, otherwise) => {
    setProblem(null);
    try {
      client.setQueryData(asidesQuery.queryKey, await decide(aside.id, how, otherwise));
      await client.invalidateQueries(how === "again" ? {} : { queryKey: carryQuery.queryKey });
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  return (
    <Sheet
      open
      close={close}
      title="Handed in, and set aside"
      footer={<Button onClick={close}>Close</Button>}
    >
      <Flex direction="column" gap="5">
        {open.length === 0 && <Quiet>Nothing waits for you.</Quiet>}
        {open.map((each) => (
          <Open
            key={each.id}
            aside={each}
            because={asides.find((other) => other.id === each.because)}
            chosen={chosen}
          />
        ))}
        {problem && (
          <Notice tone="refusal" live>
            {problem}
          </Notice>
        )}
        {notes.length > 0 && (
          <Box as="section" aria-label="Notes from out there">
            <Box fontWeight={600}>Kept as notes</Box>
            <ul>
              {notes.map((each) => (
                <li key={each.id}>
                  {momentText(each.moment)}, {each.device}: {each.label || each.name}.{" "}
                  {each.problem}
                </li>
              ))}
            </ul>
          </Box>
        )}
      </Flex>
    </Sheet>
  );
}

type Chosen = (
  aside: Aside,
  how: Parameters<typeof decide>[1],
  otherwise?: Otherwise,
) => Promise<void>;

/** One that waits: what was done there, what was done here, why they do not go together. */
function Open({
  aside,
  because,
  chosen,
}: {
  aside: Aside;
  because: Aside | undefined;
  chosen: Chosen;
}) {
  const [otherwise, setOtherwise] = useState<Otherwise>({});
  const label = aside.label || aside.name;
  return (
    <Box as="section" aria-label={label} borderTop="2px solid" borderColor="accent" paddingTop="3">
      <Box fontWeight={600}>{label}</Box>
      <Box as="dl" display="grid" gridTemplateColumns="max-content 1fr" columnGap="4" rowGap="1">
        <Term>Out there</Term>
        <Box as="dd">
          {momentText(aside.moment)}, {aside.device}
        </Box>
        <Term>Here</Term>
        <Box as="dd">
          {aside.here.length === 0 && "nothing was done to it"}
          {aside.here.map(({ at, label }) => (
            <Box key={`${at}${label}`}>
              {momentText(at)}: {label}
            </Box>
          ))}
        </Box>
        <Term>So</Term>
        <Box as="dd">{aside.problem}</Box>
        {aside.because && (
          <>
            <Term>It hangs on</Term>
            <Box as="dd">{because?.label ?? "something set aside"}</Box>
          </>
        )}
      </Box>
      {aside.other_film && (
        <Box paddingTop="3">
          <LogItOn value={otherwise} onChange={setOtherwise} />
        </Box>
      )}
      <Flex gap="3" wrap="wrap" paddingTop="3">
        <Button onClick={() => void chosen(aside, "again", otherwise)}>Do it here now</Button>
        <Button onClick={() => void chosen(aside, "note")}>Keep as a note</Button>
        <Button variant="quiet" onClick={() => void chosen(aside, "drop")}>
          Drop it
        </Button>
      </Flex>
    </Box>
  );
}

const Term = ({ children }: { children: string }) => (
  <Box as="dt" color="ink2">
    {children}
  </Box>
);
