import { Box, Flex } from "@chakra-ui/react";
import { Link } from "react-router";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { Ledger } from "../../components/Ledger";
import { Notice } from "../../components/Notice";
import type { Group } from "./queries";

/** Film that belongs together: its time, how that came about, and the way into a run. */
export function GroupPanel({
  group,
  stale,
  begin,
}: {
  group: Group;
  stale: boolean;
  begin: () => void;
}) {
  const { time } = group;
  return (
    <Box
      as="section"
      aria-label={`${group.film_name} ${group.n_text}`}
      borderTop="2px solid"
      borderColor="ink"
      paddingTop="3"
    >
      <Flex justify="space-between" align="baseline" gap="4">
        <Box as="h2" fontSize="19px">
          {group.film_name} · {group.n_text}
        </Box>
        <Box color="ink2">{count(group.sheets.length, "piece")}</Box>
      </Flex>
      <Box color="ink2">{group.recipe_name}</Box>
      {time ? (
        <>
          <Flex align="baseline" gap="3" paddingBlock="2" opacity={stale ? 0.45 : 1}>
            <Box fontSize="38px" fontWeight={620} lineHeight={1.1} data-minutes>
              {time.minutes_text}
            </Box>
            <Box color="ink2">{time.origin}</Box>
          </Flex>
          <Ledger
            rows={time.ledger.map((row) => ({
              key: row.step,
              label: row.label,
              amount: row.factor === 1 ? "" : `×${row.factor.toFixed(2)}`,
              running: row.minutes_text,
              why: row.why,
              source: row.source,
            }))}
          />
          <Flex direction="column" gap="2" paddingTop="2">
            {time.advice.map((each) => (
              <Notice key={each.code} tone={each.severity}>
                {each.text}
              </Notice>
            ))}
          </Flex>
        </>
      ) : (
        <Box paddingBlock="2">
          <Notice tone="caution">{group.problem}</Notice>
        </Box>
      )}
      <Box as="ul" paddingTop="3">
        {group.sheets.map((sheet) => (
          <Flex as="li" key={sheet.exposure_id} gap="3" paddingBlock="1.5" align="baseline">
            <Box fontWeight={650} minWidth="36px">
              {sheet.where}
            </Box>
            <Box flex="1">
              <Link to={`/scene/${sheet.scene_id}`}>{sheet.scene_title}</Link>
              <Box color="ink2" fontSize="14px">
                {sheet.set_text}
              </Box>
            </Box>
          </Flex>
        ))}
      </Box>
      <Button marginTop="2" onClick={begin}>
        Put into a run
      </Button>
    </Box>
  );
}
