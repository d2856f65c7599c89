import { Box, Flex } from "@chakra-ui/react";
import type { Refusal } from "../api/refusal";
import { Button } from "../components/Button";
import { said } from "./said";

type Fields = Record<string, unknown>;

/** Two hands on one record: what differs, and which of the two stays. */
export function Conflict({
  problem,
  mine,
  keep,
  take,
}: {
  problem: Refusal | null;
  mine: object;
  /** keep mine, over the version that is stored now */
  keep: (base: string) => void;
  take: () => void;
}) {
  if (problem?.code !== "conflict" || problem.version === null) return null;
  const theirs = problem.stored as Fields | null; // nothing: another hand deleted it
  const own = mine as Fields;
  const differing = Object.keys(own).filter(
    (field) => theirs && field in theirs && said(own[field]) !== said(theirs[field]),
  );
  const { version } = problem;
  return (
    <Box role="alert" borderLeft="3px solid" borderColor="ochre" background="ochreSoft" padding="3">
      <Box fontWeight={550}>{problem.message}</Box>
      <Box as="ul" paddingBlock="2" fontSize="14px">
        {differing.map((field) => (
          <li key={field}>
            {field.replaceAll("_", " ")}: saved {said(theirs?.[field])}, yours {said(own[field])}
          </li>
        ))}
      </Box>
      <Flex gap="3" wrap="wrap">
        <Button onClick={take}>{theirs ? "Use saved version" : "Leave it deleted"}</Button>
        <Button variant="main" onClick={() => keep(version)}>
          Save mine
        </Button>
      </Flex>
    </Box>
  );
}
