import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { RoomHeader } from "../../app/RoomHeader";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Ledger } from "../../components/Ledger";
import { Notice } from "../../components/Notice";
import { useKeptText } from "../../components/useKeptText";
import { darkroomQuery, type Scale } from "./queries";

type Group = Schemas["Group"];

const kept = (): Scale => (localStorage.getItem("emulsa-degrees") === "F" ? "F" : "C");

export function DarkroomRoom() {
  const [scale, setScale] = useState<Scale>(kept);
  const [typed, setTyped] = useKeptText(`temperature-${scale}`);
  const text = typed || (scale === "C" ? "20" : "68");
  const degrees = Number(text.replace(",", "."));
  const readable = text.trim() !== "" && Number.isFinite(degrees);
  const groups = useQuery({ ...darkroomQuery(degrees, scale), enabled: readable });
  const choose = (next: Scale) => {
    setScale(next);
    localStorage.setItem("emulsa-degrees", next);
  };
  const problem = readable
    ? groups.error?.message
    : `“${text}” is not a temperature; type a number, as in 20.`;
  const sheets = (groups.data ?? []).reduce((sum, group) => sum + group.sheets.length, 0);
  return (
    <>
      <RoomHeader title="Darkroom" sub={groups.data ? `${sheets} sheets wait` : undefined} />
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        <Flex gap="3" align="flex-start" maxWidth="520px">
          <Entry
            label={`Developer temperature, °${scale}`}
            inputMode="decimal"
            defaultValue={text}
            key={scale}
            onChange={(event) => setTyped(event.target.value)}
            problem={problem}
          />
          <Button marginTop="25px" onClick={() => choose(scale === "C" ? "F" : "C")}>
            °{scale === "C" ? "F" : "C"} instead
          </Button>
        </Flex>
        {groups.data?.length === 0 && (
          <Box paddingTop="6" maxWidth="560px">
            <Box fontSize="19px" fontWeight={600}>
              Nothing waits.
            </Box>
            Exposed sheets come here by themselves, grouped by film, recipe and N.{" "}
            <Link to="/scene">Go on with the scene</Link>
          </Box>
        )}
        <Grid
          templateColumns={{ base: "minmax(0,1fr)", md: "repeat(auto-fill, minmax(360px, 1fr))" }}
          gap={{ base: "6", md: "8" }}
          paddingTop="6"
        >
          {groups.data?.map((group) => (
            <GroupPanel
              key={`${group.film_id}-${group.recipe_id}-${group.n}-${group.development_change}`}
              group={group}
              stale={Boolean(problem)}
            />
          ))}
        </Grid>
        {sheets > 0 && (
          <Box color="ink2" fontSize="14px" paddingTop="8" maxWidth="720px">
            Gloves and eye protection, fresh air; read the maker's safety sheet. Open trays mean no
            light at all, this screen included. Follow the maker's instructions and local rules for
            waste; this program advises.
          </Box>
        )}
      </Box>
    </>
  );
}

function GroupPanel({ group, stale }: { group: Group; stale: boolean }) {
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
        <Box color="ink2">
          {group.sheets.length === 1 ? "1 sheet" : `${group.sheets.length} sheets`}
        </Box>
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
    </Box>
  );
}
