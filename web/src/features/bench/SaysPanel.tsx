import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { useLocation } from "wouter";
import type { Refusal } from "../../api/refusal";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Table } from "../../components/Table";
import { Quiet, Small } from "../../components/text";
import { FileLink } from "../../shared/FileLink";
import { say } from "../../shared/saying";
import { useWrite } from "../../shared/useWrite";
import { deleteTest, type TestView, takeTimes, takeTones, type Worked } from "./queries";

/** The verdict: the index largest, the ladder, the tones it holds, and what is done with them. */
export function SaysPanel({
  view,
  worked,
  change,
  problem: refused,
  busy: writing,
}: {
  view: TestView;
  worked: Worked;
  change: (changed: Partial<TestView["test"]>) => void;
  problem: Refusal | null;
  busy: boolean;
}) {
  const { test } = view;
  const [, navigate] = useLocation();
  const [verdict, setVerdict] = useState(test.verdict ?? "");
  const own = useWrite();
  const left = (title: string) => {
    navigate("/bench");
    say(`Deleted ${title}. Undo brings it back.`);
  };
  const busy = writing || own.busy;
  const usable = worked.ladder.some((each) => !each.extrapolated) && test.recipe_id;
  const [own_file, curves] = [`/api/bench/tests/${test.id}`, test.curves ?? []];
  return (
    <Flex
      as="section"
      aria-label="What this film does"
      gridArea="says"
      direction="column"
      gap="4"
      padding={{ base: "4", md: "6" }}
      borderLeft={{ md: "1px solid" }}
      borderColor={{ md: "line" }}
    >
      {worked.rate_at && (
        <Box>
          <Box color="ink2" fontSize="13px">
            What this film does, in this developer
          </Box>
          <Box fontSize="30px" lineHeight={1.2}>
            Rate at <b>{worked.rate_at}</b>
          </Box>
          <Quiet>{worked.rate_why}</Quiet>
        </Box>
      )}
      {worked.zone_sheets && (
        <Box>
          <Box fontWeight={600}>{worked.zone_sheets.says}</Box>
          {worked.zone_sheets.lines.map((each) => (
            <Box key={each.id} color="ink2">
              {each.id}: Zone I {each.shadow || "not read"}, Zone VIII {each.high || "not read"}
              {each.says && `; ${each.says}`}
            </Box>
          ))}
        </Box>
      )}
      {worked.ladder.length > 0 && <Ladder rungs={worked.ladder} />}
      {worked.answer && worked.ladder.length === 0 && (
        <Notice tone="note">
          {worked.answer.advice.find((each) => each.code === "no-ladder")?.text ?? ""}
        </Notice>
      )}
      {worked.today && <Notice tone="note">{worked.today}</Notice>}
      {usable && view.use_text && <Small data-use>Use as tested times. {view.use_text}</Small>}
      <Problem of={refused ?? own.problem} />
      <Flex gap="3" wrap="wrap">
        <Button
          variant="main"
          // the verdict that is being kept as the button is pressed does not take the press away
          disabled={own.busy || !usable}
          onClick={() => void own.write(takeTimes(test.id, view.recipe_version))}
        >
          Use as tested times
        </Button>
      </Flex>
      {!test.recipe_id && worked.ladder.length > 0 && (
        <Quiet>Tested times need a recipe: this test has none.</Quiet>
      )}
      {worked.textural && (
        <Flex gap="3" align="center" justify="space-between" wrap="wrap">
          <Box flex="1 1 180px">{worked.textural.says}</Box>
          <Button
            disabled={busy}
            onClick={() => void own.write(takeTones(test.id, view.film_version))}
          >
            Use this range
          </Button>
        </Flex>
      )}
      <Entry
        label="Verdict, in your words"
        multiline
        rows={3}
        value={verdict}
        onText={setVerdict}
        onBlur={() => verdict !== test.verdict && change({ verdict })}
      />
      {curves.some((each) => each.steps.length > 0) && (
        <Flex gap="5" rowGap="2" wrap="wrap" fontSize="15px">
          <FileLink href={`${own_file}.pdf`}>One page as PDF</FileLink>
          <FileLink href={`${own_file}.csv`}>Curves (CSV)</FileLink>
          <FileLink href={`${own_file}.txt`}>Densities as text</FileLink>
        </Flex>
      )}
      <Box>
        <Button
          variant="quiet"
          disabled={busy}
          onClick={() => void own.write(deleteTest(test.id), { at_once: () => left(test.title) })}
        >
          Delete test
        </Button>
      </Box>
    </Flex>
  );
}

function Ladder({ rungs }: { rungs: Worked["ladder"] }) {
  return (
    <Table
      heads={["N", "minutes", "EI"]}
      remark="how sure"
      lines={rungs.map((each) => ({
        id: each.n,
        cells: [each.n_text, each.minutes_text, each.ei_text],
        says: each.extrapolated && "extrapolated",
        strong: each.n === 0,
      }))}
    />
  );
}
