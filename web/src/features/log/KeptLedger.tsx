import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { sourcesQuery } from "../../api/queries";
import { Ledger } from "../../components/Ledger";
import { Quiet } from "../../components/text";
import type { Story } from "./queries";

/** The sums of the day, read from the log and never worked out again. */
export function KeptLedger({ story }: { story: Story }) {
  const sources = useQuery(sourcesQuery).data ?? {};
  const text = (row: Story["ledger"][number], field: string) => String(row[field] ?? "");
  const rows = story.ledger.map((row, place) => ({
    key: `${place}`,
    label: text(row, "label"),
    amount: text(row, "stops_text"),
    running: text(row, "time_text"),
    why: text(row, "why"),
    source: sources[text(row, "source")] ?? text(row, "source"),
  }));
  return (
    <Box as="section" aria-label="How it added up that day">
      <Box as="h2" fontSize="13px" color="ink2">
        How it added up that day
      </Box>
      {rows.length ? (
        <>
          <Ledger rows={rows} />
          {story.n_why && (
            <Box fontSize="14px" paddingTop="1">
              {story.n_why}
            </Box>
          )}
          <Box fontSize="13px" color="ink2" paddingTop="1">
            As Emulsa {story.core_version} worked it out that day.
          </Box>
        </>
      ) : (
        <Quiet>No sums: this exposure came from a file.</Quiet>
      )}
    </Box>
  );
}
