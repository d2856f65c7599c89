import { Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useLocation } from "wouter";
import type { Refusal } from "../../api/refusal";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { FileLink } from "../../shared/FileLink";
import { type PracticeSet, type Room, setQuery } from "./queries";

const LEVELS = ["1", "2", "3"].map((value) => ({ value, label: `level ${value}` }));

/** A set for a class or a club: by its number the same questions for everybody, on paper or here. */
export function SetSheet({ topics, close }: { topics: Room["topics"]; close: () => void }) {
  const [seed, setSeed] = useState("1");
  const [many, setMany] = useState("12");
  const [level, setLevel] = useState("1");
  const [topic, setTopic] = useState("");
  const [, navigate] = useLocation();
  // what is typed goes out as text; what is wrong with it the service says
  const asked = { seed, many, level, topics: topic ? [topic] : [] } as unknown as PracticeSet;
  const questions = useQuery({ ...setQuery(asked), retry: false });
  const refused = questions.error as Refusal | null;
  const at = (field: string) => (refused?.field === field ? refused.message : null);
  const valid = questions.isSuccess;
  const query = new URLSearchParams({ seed, many, level, ...(topic && { topics: topic }) });
  return (
    <Sheet
      open
      close={close}
      title="A set for everybody"
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button
            variant="main"
            disabled={!valid}
            onClick={() => navigate(`/practice/questions?${query}`)}
          >
            Answer it here
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Grid templateColumns="1fr 1fr" gap="4">
          <Entry
            label="Number of the set"
            help="the same number, the same questions"
            inputMode="numeric"
            value={seed}
            onText={setSeed}
            problem={at("seed")}
          />
          <Entry
            label="Questions"
            inputMode="numeric"
            value={many}
            onText={setMany}
            problem={at("many")}
          />
          <Choose label="Level" value={level} options={LEVELS} onChange={setLevel} />
          <Choose
            label="Of"
            value={topic}
            options={[
              { value: "", label: "every topic in turn" },
              ...topics.map((each) => ({ value: each.topic as string, label: each.name })),
            ]}
            onChange={setTopic}
          />
        </Grid>
        {valid && (
          <Flex gap="5" wrap="wrap">
            <FileLink href={`/api/practice/set.pdf?${query}`} aside>
              Questions to print
            </FileLink>
            <FileLink href={`/api/practice/set.pdf?${query}&answers=true`} aside>
              Answers to print
            </FileLink>
          </Flex>
        )}
      </Flex>
    </Sheet>
  );
}
