import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { question } from "../api/ask";
import type { Refusal } from "../api/refusal";
import { Button } from "../components/Button";

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
  const { version } = problem;
  return (
    <Box role="alert" borderLeft="3px solid" borderColor="ochre" background="ochreSoft" padding="3">
      <Box fontWeight={550}>{problem.message}</Box>
      <Box as="ul" paddingBlock="2" fontSize="14px">
        {theirs && <Differing mine={mine as Fields} theirs={theirs} />}
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

/** What differs, field by field, in words. */
function Differing({ mine, theirs }: { mine: Fields; theirs: Fields }) {
  const differing = useQuery({
    ...question("history_compare", { body: { mine, theirs } }),
    staleTime: Number.POSITIVE_INFINITY,
  }).data;
  return differing?.map((each) => (
    <li key={each.field}>
      {each.field}: saved {each.before}, yours {each.after}
    </li>
  ));
}
