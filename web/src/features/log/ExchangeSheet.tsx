import { Box, Flex } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { carryOut } from "../../api/acts";
import { keptOutside } from "../../api/kept";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { FileButton } from "../../components/FileButton";
import { Notice } from "../../components/Notice";
import { Sheet } from "../../components/Sheet";
import { Quiet } from "../../components/text";
import { useCarrying } from "../../field/mode";
import { SINGLE } from "../../field/single";
import { FileLink } from "../../shared/FileLink";
import { CsvMapping } from "./CsvMapping";
import { JobProgress } from "./JobProgress";
import {
  type CsvFile,
  decideArchive,
  handInCsv,
  type Job,
  jobQuery,
  mergeArchive,
  writeArchive,
} from "./queries";
import { type Clash, TwoStories } from "./TwoStories";

/** What goes out of Emulsa and comes in: a spreadsheet, everything, places. */
export function ExchangeSheet({ close }: { close: () => void }) {
  const client = useQueryClient();
  const carrying = useCarrying();
  const away = carrying !== null || SINGLE;
  const [csv, setCsv] = useState<CsvFile | null>(null);
  const ids = work.use() ?? [];
  const [sent, setSent] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = async (call: () => Promise<void>) => {
    setProblem(null);
    try {
      await call();
    } catch (refusal) {
      setProblem((refusal as Error).message);
    } finally {
      setSent(null);
    }
  };
  const handIn = (file: File) =>
    attempt(async () => setCsv((await carryOut(client, handInCsv(file), setSent)).answer));
  const begun = (job: Job) => {
    client.setQueryData(jobQuery(job.id).queryKey, job);
    work.keep([job.id, ...(work.read() ?? []).filter((each) => each !== job.id)].slice(0, KEPT));
  };
  const putAway = (id: string) => work.keep((work.read() ?? []).filter((each) => each !== id));
  const merge = (file: File) =>
    attempt(async () => begun((await carryOut(client, mergeArchive(file), setSent)).answer));
  const pack = () => attempt(async () => begun((await carryOut(client, writeArchive())).answer));
  const decide = (job: Job, file: string, decided: Record<string, "here" | "there">) =>
    attempt(async () => {
      begun((await carryOut(client, decideArchive(file, decided))).answer);
      putAway(job.id);
    });
  return (
    <Sheet
      open
      close={close}
      title={csv ? "Import CSV" : "Import and export"}
      footer={
        <>
          {csv && <Button onClick={() => setCsv(null)}>Another file</Button>}
          <Button onClick={close}>Close</Button>
        </>
      }
    >
      {csv ? (
        <CsvMapping key={csv.id} file={csv} />
      ) : (
        <Flex direction="column" gap="5">
          {ids.map((id) => (
            <Work key={id} id={id} decide={decide} putAway={() => putAway(id)} />
          ))}
          <Part title="Out">
            <Line what="Every exposure, for a spreadsheet">
              <FileLink href="/api/exchange/exposures.csv">CSV</FileLink>
            </Line>
            <Line what="Everything, pictures too, in one file">
              <Button onClick={pack}>Export archive</Button>
            </Line>
            <Line what="Places of outings that have coordinates">
              <FileLink href="/api/exchange/places.geojson">GeoJSON</FileLink>
            </Line>
          </Part>
          {away ? (
            <Quiet>
              Files are brought in at home: what came out of them here would not go along.
            </Quiet>
          ) : (
            <Part title="In">
              <Line what="Exposures from a spreadsheet; checked first; bad rows are listed">
                <FileButton
                  name="Choose a CSV"
                  accept=".csv,text/csv"
                  take={([file]) => file && void handIn(file)}
                >
                  Choose a CSV
                </FileButton>
              </Line>
              <Line what="An archive; what is here already stays as it is">
                <FileButton
                  name="Choose an archive"
                  accept=".zip"
                  take={([file]) => file && void merge(file)}
                >
                  Choose an archive
                </FileButton>
              </Line>
            </Part>
          )}
          {sent !== null && (
            <Box role="status">
              Sending: <progress max={1} value={sent} aria-label="Sending" />
            </Box>
          )}
          {problem && (
            <Notice tone="refusal" live>
              {problem}
            </Notice>
          )}
        </Flex>
      )}
    </Sheet>
  );
}

/* Work begun in this browser, so that it is found again after the page was left. */
const work = keptOutside<string[]>("emulsa-work");
const KEPT = 5;
const KINDS: Record<string, string> = {
  archive: "An archive is written",
  merge: "An archive is imported",
};

type Decide = (job: Job, file: string, decided: Record<string, "here" | "there">) => void;

function Work({ id, decide, putAway }: { id: string; decide: Decide; putAway: () => void }) {
  const client = useQueryClient();
  const { data: job, isError } = useQuery({ ...jobQuery(id), retry: false });
  if (isError || !job) return null;
  const name = KINDS[job.kind] ?? "Import";
  return (
    <Part title={name}>
      <JobProgress
        key={job.id}
        job={job}
        done={() =>
          client.invalidateQueries({
            predicate: (query) => query.queryKey[0] !== jobQuery(id).queryKey[0],
          })
        }
        finish={putAway}
      >
        {(ended) => <Ended job={ended} decide={decide} />}
      </JobProgress>
    </Part>
  );
}

/** What came of work, and what is to be decided first. */
function Ended({ job, decide }: { job: Job; decide: Decide }) {
  if (job.state === "asked") {
    const { file, clashes } = job.result as unknown as { file: string; clashes: Clash[] };
    return <TwoStories clashes={clashes} decide={(decided) => decide(job, file, decided)} />;
  }
  if (job.kind === "archive") {
    const { lost } = job.result as unknown as { lost: string[] };
    return (
      <>
        <FileLink href={`/api/exchange/archive/${job.id}.zip`}>Save the archive</FileLink>
        {lost.length > 0 && (
          <Box color="ochre">Not in it, because their files are not here: {lost.join(", ")}</Box>
        )}
      </>
    );
  }
  return <>{mergedText(job)} One undo takes it back.</>;
}

/** What bringing an archive in did, and what had to give way. */
interface Merged {
  added?: number;
  known?: number;
  pictures?: number;
  said?: string[];
}

function mergedText(job: Job): string {
  const { added = 0, known = 0, pictures = 0, said = [] } = job.result as unknown as Merged;
  const counted = `${added} records and ${count(pictures, "picture")} brought in, ${known} records were here already.`;
  return [counted, ...said].join(" ");
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box as="section" aria-label={title}>
      <Box as="h3" fontSize="13px" color="ink2">
        {title}
      </Box>
      {children}
    </Box>
  );
}

function Line({ what, children }: { what: string; children: ReactNode }) {
  return (
    <Flex
      justify="space-between"
      align="center"
      gap="4"
      minHeight="56px"
      borderBottom="1px solid"
      borderColor="line"
    >
      <span>{what}</span>
      <Box flexShrink="0">{children}</Box>
    </Flex>
  );
}
