import { Box, Flex } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../components/Button";
import { FileButton } from "../../components/FileButton";
import { Notice } from "../../components/Notice";
import { tellOutcome } from "../../field/outcome";
import { handInFile } from "../../field/saving";
import { Asides } from "./Asides";
import { asidesQuery } from "./queries";

/** At home: the way back of a file that was saved out there, and what was set aside before. */
export function FromOutThere() {
  const client = useQueryClient();
  const asides = useQuery(asidesQuery).data ?? [];
  const [said, setSaid] = useState("");
  const [problem, setProblem] = useState("");
  const [open, setOpen] = useState(false);
  const handedIn = async (file: File) => {
    setProblem("");
    try {
      const { came, taken, left } = await handInFile(file, (done, total) =>
        setSaid(`${done} of ${total} handed in`),
      );
      const seen = taken === 1 ? "1 picture is at home." : `${taken} pictures are at home.`;
      setSaid(
        [(came.length > 0 || !taken) && tellOutcome(came), taken > 0 && seen]
          .filter(Boolean)
          .join(" "),
      );
      if (left.length) setProblem(`Not taken: ${left.join(" ")}`);
    } catch (failed) {
      setSaid("");
      setProblem((failed as Error).message);
    }
    await client.invalidateQueries();
  };
  return (
    <Box as="section" aria-label="From the field">
      <Flex gap="3" wrap="wrap">
        <FileButton
          name="Choose a saved file"
          accept="application/json,.json"
          take={([file]) => file && void handedIn(file)}
        >
          Merge a field file
        </FileButton>
        {asides.length > 0 && (
          <Button variant="quiet" onClick={() => setOpen(true)}>
            What was set aside
          </Button>
        )}
      </Flex>
      <Box aria-live="polite">{said}</Box>
      {problem && (
        <Notice tone="refusal" live>
          {problem}
        </Notice>
      )}
      {open && <Asides close={() => setOpen(false)} />}
    </Box>
  );
}
