import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { carryOut } from "../../api/acts";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { count } from "../../components/count";
import { Notice } from "../../components/Notice";
import { Quiet, Small } from "../../components/text";
import { FileLink } from "../../shared/FileLink";
import { JobProgress } from "./JobProgress";
import { type CsvFile, type Job, readCsv } from "./queries";

interface Report {
  rows: number;
  new: number;
  known: number;
  refused: number;
  new_films: string[];
  refusals: { line: number; column: string; message: string }[];
}

/** Which column is which, a dry run that names every refusal, then all of the rows or none. */
export function CsvMapping({ file }: { file: CsvFile }) {
  const client = useQueryClient();
  const [mapping, setMapping] = useState(file.mapping);
  const [job, setJob] = useState<{ job: Job; wrote: boolean } | null>(null);
  const [report, setReport] = useState<Report | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const read = async (write: boolean, partly = false) => {
    setProblem(null);
    if (!write) setReport(null);
    try {
      const { answer } = await carryOut(client, readCsv(file.id, mapping, { write, partly }));
      setJob({ job: answer, wrote: write });
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  const change = (ours: string, theirs: string) => {
    setMapping({ ...mapping, [ours]: theirs });
    setReport(null);
    setJob(null);
  };
  const options = [
    { value: "", label: "not in this file" },
    ...file.columns.map((column) => ({ value: column, label: column || "(no name)" })),
  ];
  const example = (ours: string) => {
    const place = file.columns.indexOf(mapping[ours] ?? "");
    return place < 0 ? "" : (file.sample[0]?.[place] ?? "");
  };
  const good = report && report.refused === 0 && report.new > 0;
  return (
    <Flex direction="column" gap="4">
      <Quiet>Match your columns to Emulsa’s. Nothing is written yet.</Quiet>
      <Box as="ul" maxHeight="38dvh" overflow="auto" tabIndex={0} aria-label="Columns">
        {file.wanted.map((column) => (
          <Grid
            as="li"
            key={column.name}
            templateColumns="minmax(0,1fr) minmax(0,1fr)"
            gap="3"
            alignItems="end"
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="2"
          >
            <Choose
              label={`${column.name.replaceAll("_", " ")}${column.needed ? ", needed" : ""}`}
              value={mapping[column.name] ?? ""}
              options={options}
              onChange={(theirs) => change(column.name, theirs)}
            />
            <Small lineHeight={1.3} overflowWrap="anywhere">
              {column.means}
              {example(column.name) && <Box color="ink">first row: {example(column.name)}</Box>}
            </Small>
          </Grid>
        ))}
      </Box>
      <Flex gap="3" wrap="wrap">
        <Button onClick={() => read(false)}>Check file</Button>
        {report && report.refused > 0 && report.new > 0 ? (
          <Button variant="main" onClick={() => read(true, true)}>
            Import {count(report.new, "good exposure")}, leave {report.refused} out
          </Button>
        ) : (
          <Button variant="main" disabled={!good} onClick={() => read(true)}>
            {good ? `Import ${count(report.new, "exposure")}` : "Import"}
          </Button>
        )}
      </Flex>
      {problem && (
        <Notice tone="refusal" live>
          {problem}
        </Notice>
      )}
      {job && (
        <JobProgress
          key={job.job.id}
          job={job.job}
          done={(ended) => {
            if (!job.wrote) setReport(ended.result as unknown as Report);
            else {
              setReport(null);
              void client.invalidateQueries();
            }
          }}
        >
          {(ended) => {
            const told = ended.result as unknown as Report;
            return job.wrote ? (
              <Box color="accent" fontWeight={600}>
                {count(told.new, "exposure")} brought in. One undo takes all of them back.
                {told.refused > 0 && (
                  <Box fontWeight={400}>
                    {count(told.refused, "row")} left out:{" "}
                    <FileLink href={`/api/exchange/csv/${ended.id}/refused.csv`}>
                      Refused rows (CSV)
                    </FileLink>
                    , to be mended and imported again.
                  </Box>
                )}
              </Box>
            ) : (
              <Tried report={told} />
            );
          }}
        </JobProgress>
      )}
    </Flex>
  );
}

function Tried({ report }: { report: Report }) {
  return (
    <Box>
      <b>
        {count(report.rows, "row")}: {report.new} new, {report.known} here already, {report.refused}{" "}
        refused.
      </b>
      {report.new_films.length > 0 && (
        <Quiet>New films would be added: {report.new_films.join(", ")}.</Quiet>
      )}
      <Box as="ul" maxHeight="30dvh" overflow="auto">
        {report.refusals.map((each) => (
          <Box
            as="li"
            key={`${each.line} ${each.column} ${each.message}`}
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="1"
            fontSize="14px"
          >
            <b>
              line {each.line}
              {each.column && `, ${each.column.replaceAll("_", " ")}`}
            </b>
            : {each.message}
          </Box>
        ))}
      </Box>
      {report.refused > report.refusals.length && (
        <Box fontSize="14px">and {report.refused - report.refusals.length} more.</Box>
      )}
    </Box>
  );
}
