import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useEffect, useRef } from "react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { type Job, jobQuery, stopJob } from "./queries";

/** Long work as it goes: how far, a way to stop it, and what came of it. */
export function JobProgress({
  job: begun,
  done,
  finish,
  children,
}: {
  job: Job;
  /** told once, when the work has ended well */
  done?: (job: Job) => void;
  finish?: () => void;
  children: (job: Job) => ReactNode;
}) {
  const job = useQuery({ ...jobQuery(begun.id), initialData: begun, initialDataUpdatedAt: 0 }).data;
  const told = useRef(false);
  useEffect(() => {
    if (job.state === "done" && !told.current) {
      told.current = true;
      done?.(job);
    }
  }, [job, done]);
  if (job.state === "waiting" || job.state === "running") {
    return (
      <Flex role="status" align="center" gap="3" wrap="wrap">
        <progress
          max={job.total || 1}
          {...(job.total ? { value: job.done } : {})}
          aria-label="Progress"
        />
        <Box>
          {job.state === "waiting" && "waits for other work"}
          {job.total > 0 &&
            `${job.done.toLocaleString("en-GB")} of ${job.total.toLocaleString("en-GB")}`}
        </Box>
        <Button onClick={() => stopJob(job.id)}>Stop</Button>
      </Flex>
    );
  }
  return (
    <Flex
      role="status"
      gap="3"
      {...(job.state === "asked" ? { direction: "column" } : { align: "center", wrap: "wrap" })}
    >
      <Box flex="1">
        {job.state === "done" || job.state === "asked" ? (
          children(job)
        ) : (
          <Notice tone={job.state === "failed" ? "refusal" : "note"}>{job.message}</Notice>
        )}
      </Box>
      {finish && (
        <Button variant="quiet" alignSelf="flex-start" onClick={finish}>
          {job.state === "asked" ? "Cancel" : "Done with it"}
        </Button>
      )}
    </Flex>
  );
}
