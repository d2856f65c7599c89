import { Box, Flex } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useRef, useState } from "react";
import { carryOut } from "../../api/acts";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { Notice } from "../../components/Notice";
import { Sheet } from "../../components/Sheet";
import { CsvMapping } from "./CsvMapping";
import { JobProgress } from "./JobProgress";
import { type CsvFile, handInCsv, type Job, mergeArchive, writeArchive } from "./queries";

/** What goes out of Emulsa and comes in: a spreadsheet, everything, places. */
export function ExchangeSheet({ close }: { close: () => void }) {
  const client = useQueryClient();
  const [csv, setCsv] = useState<CsvFile | null>(null);
  const [job, setJob] = useState<Job | null>(null);
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
  const merge = (file: File) =>
    attempt(async () => setJob((await carryOut(client, mergeArchive(file), setSent)).answer));
  const pack = () => attempt(async () => setJob((await carryOut(client, writeArchive())).answer));
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
          <Part title="Out">
            <Line what="Every exposure, for a spreadsheet">
              <a href="/api/exchange/exposures.csv">CSV</a>
            </Line>
            <Line what="Everything, pictures too, in one file">
              <Button onClick={pack} disabled={job !== null}>
                Write an archive
              </Button>
            </Line>
            <Line what="Places of outings that have coordinates">
              <a href="/api/exchange/places.geojson">GeoJSON</a>
            </Line>
          </Part>
          <Part title="In">
            <Line what="Exposures from a spreadsheet; tried first, then all or none">
              <FileButton label="Choose a CSV" accept=".csv,text/csv" take={handIn} />
            </Line>
            <Line what="An archive; what is here already stays as it is">
              <FileButton label="Choose an archive" accept=".zip" take={merge} />
            </Line>
          </Part>
          {sent !== null && (
            <Box role="status">
              Sending: <progress max={1} value={sent} aria-label="Sending" />
            </Box>
          )}
          {job && (
            <JobProgress
              job={job}
              done={() => client.invalidateQueries()}
              finish={() => setJob(null)}
            >
              {(ended) =>
                ended.kind === "archive" ? (
                  <a href={`/api/exchange/archive/${ended.id}.zip`}>Save the archive</a>
                ) : (
                  <>{mergedText(ended)} One undo takes it back.</>
                )
              }
            </JobProgress>
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

/** What bringing an archive in did, and what had to give way. */
interface Merged {
  added: number;
  known: number;
  pictures: number;
  said: string[];
}

function mergedText(job: Job): string {
  const { added, known, pictures, said } = job.result as unknown as Merged;
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

function FileButton({
  label,
  accept,
  take,
}: {
  label: string;
  accept: string;
  take: (file: File) => void;
}) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => chooser.current?.click()}>{label}</Button>
      <input
        ref={chooser}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) take(file);
          event.target.value = "";
        }}
      />
    </>
  );
}
