import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Small } from "../../components/text";
import { addStarter } from "../../shared/AddSet";
import { useWrite } from "../../shared/useWrite";

/** Sets to begin with: one touch each, and everything in them can be changed. */
export function Starters({
  starters,
  stay,
}: {
  starters: Schemas["StarterLine"][];
  /** they are looked at: what was added is said here, though the kit is not bare any more */
  stay: () => void;
}) {
  const { write, problem, busy } = useWrite();
  const [said, setSaid] = useState<string | null>(null);
  const add = (each: Schemas["StarterLine"]) => {
    stay();
    void write(addStarter(each.key, newId()), {
      at_once: () => setSaid(`Added: ${each.title}. Check each record; undo takes the set back.`),
    });
  };
  return (
    <Box as="section" aria-label="Starter sets" gridColumn="1 / -1">
      <Box as="h2" fontSize="19px" borderBottom="2px solid" borderColor="ink" paddingBlock="2">
        Starter sets
      </Box>
      <Box color="ink2" paddingTop="2">
        One touch adds a set; change whatever differs from yours. Films and their times are your
        own.
      </Box>
      <Flex wrap="wrap" gap="2" paddingBlock="3">
        {starters.map((each) => (
          <Button
            key={each.key}
            disabled={busy}
            onClick={() => add(each)}
            height="auto"
            paddingBlock="2"
            flexDirection="column"
            alignItems="flex-start"
            whiteSpace="normal"
            textAlign="left"
            borderWidth="1px"
            flex={{ base: "1 1 100%", md: "0 1 268px" }}
          >
            <span>{each.title}</span>
            <Small as="span" fontWeight={400}>
              {each.says}
            </Small>
          </Button>
        ))}
      </Flex>
      <Problem of={problem} />
      <Box role="status" fontSize="15px" color="accent" fontWeight={600}>
        {said}
      </Box>
    </Box>
  );
}
