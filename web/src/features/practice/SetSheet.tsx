import { Flex, Grid } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { FileLink } from "../../shared/FileLink";
import type { Room } from "./queries";

const LEVELS = ["1", "2", "3"].map((value) => ({ value, label: `level ${value}` }));
const MOST = 60;

/** A set for a class or a club: by its number the same questions for everybody, on paper or here. */
export function SetSheet({ topics, close }: { topics: Room["topics"]; close: () => void }) {
  const [seed, setSeed] = useState("1");
  const [many, setMany] = useState("12");
  const [level, setLevel] = useState("1");
  const [topic, setTopic] = useState("");
  const navigate = useNavigate();
  const valid = /^\d{1,9}$/.test(seed) && /^\d{1,2}$/.test(many) && +many >= 1 && +many <= MOST;
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
            onChange={(event) => setSeed(event.target.value)}
            problem={/^\d{1,9}$/.test(seed) ? null : "A whole number, up to nine figures."}
          />
          <Entry
            label="Questions"
            inputMode="numeric"
            value={many}
            onChange={(event) => setMany(event.target.value)}
            problem={valid || !/^\d{1,9}$/.test(seed) ? null : `From 1 to ${MOST}.`}
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
