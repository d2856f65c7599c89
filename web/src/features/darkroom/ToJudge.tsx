import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { Button } from "../../components/Button";
import { JudgeSheet, type Negative } from "../../shared/exposure";

/** Developed negatives nobody has looked at yet. */
export function ToJudge({ lines }: { lines: Schemas["PieceLine"][] }) {
  const [open, setOpen] = useState<Negative | null>(null);
  if (!lines.length) return null;
  return (
    <Box as="section" aria-label="To judge" paddingTop="6" maxWidth="720px">
      <Box as="h2" fontSize="19px" borderTop="2px solid" borderColor="ink" paddingTop="3">
        Developed, to be judged
      </Box>
      <ul>
        {lines.map((line) => (
          <Flex
            as="li"
            key={line.piece_id}
            align="center"
            gap="3"
            borderBottom="1px solid"
            borderColor="line"
            minHeight="52px"
          >
            <Box fontWeight={650} minWidth="56px">
              {line.where}
            </Box>
            <Box flex="1">
              {[line.scene_title, line.n_text, line.part_text].filter(Boolean).join(", ")}
            </Box>
            <Button
              aria-label={`Judge ${line.where}`}
              onClick={() =>
                setOpen({ ...line, version: "", in_bracket: line.bracket_id !== null })
              }
            >
              Judge
            </Button>
          </Flex>
        ))}
      </ul>
      {open && <JudgeSheet line={open} close={() => setOpen(null)} />}
    </Box>
  );
}
