import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { preferencesQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Empty } from "../../components/Empty";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import { TimeBlocks } from "../../shared/drawn/TimeBlocks";
import { FileLink } from "../../shared/FileLink";
import { RoomHeader } from "../../shared/RoomHeader";
import { darkroomQuery, developStrip, type Group, type Scale } from "../../shared/runs";
import { useAsked } from "../../shared/useAsked";
import { useKeptText } from "../../shared/useKeptText";
import { useWrite } from "../../shared/useWrite";
import { DecideSheet } from "./DecideSheet";
import { GroupPanel } from "./GroupPanel";
import { RunSheet } from "./RunSheet";
import { Runs } from "./Runs";
import { SendSheet } from "./SendSheet";
import { ToJudge } from "./ToJudge";

const kept = () => localStorage.getItem("emulsa-degrees") as Scale | null;

export function DarkroomRoom() {
  const measures = useQuery(preferencesQuery).data?.measures;
  const [chosen, setChosen] = useState(kept);
  const scale = chosen ?? measures?.temperature ?? "C";
  const [typed, setTyped] = useKeptText(`temperature-${scale}`);
  const [begun, setBegun] = useState<Group | null>(null);
  const [sent, setSent] = useState<Group | null>(null);
  const [decided, setDecided] = useState<Group | null>(null);
  const text = typed || (scale === "C" ? "20" : "68");
  const darkroom = useQuery(darkroomQuery(text, scale));
  // what cannot be read leaves the last answer in sight, and the field it was typed in
  const [good, setGood] = useState<Schemas["DarkroomView"]>();
  useEffect(() => {
    if (darkroom.data) setGood(darkroom.data);
  }, [darkroom.data]);
  const choose = (next: Scale) => {
    setChosen(next);
    localStorage.setItem("emulsa-degrees", next);
  };
  const view = darkroom.data ?? good;
  const problem = darkroom.error?.message ?? view?.refused;
  const groups = view?.groups ?? [];
  useAsked(Boolean(view), {
    run: () => setBegun(groups.find((each) => each.sheets.length) ?? null),
  });
  const { write, busy } = useWrite();
  const pieces = groups.reduce((sum, group) => sum + group.sheets.length, 0);
  const nothing =
    view && !groups.length && !view.runs.length && !view.to_judge.length && !view.undecided.length;
  return (
    <>
      <RoomHeader title="Darkroom" sub={view && waitText(pieces + view.not_shown)}>
        <Link to="/darkroom/mixing">Mix</Link>
        {pieces > 0 && (
          <Link to="/darkroom/evening" aria-label="Plan the evening">
            <Box as="span" display={{ base: "none", md: "inline" }}>
              Plan the
            </Box>{" "}
            <Box as="span" textTransform={{ base: "capitalize", md: "none" }}>
              evening
            </Box>
          </Link>
        )}
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        <Flex
          gap={{ base: "4", md: "8" }}
          align="flex-start"
          justify="space-between"
          direction={{ base: "column-reverse", md: "row" }}
        >
          <Box flex="1" minWidth="0" width="100%" maxWidth="720px">
            {groups.length > 1 && <TimeBlocks groups={groups} across />}
          </Box>
          <Flex gap="3" align="flex-start" width="320px" flexShrink={0} maxWidth="100%">
            <Entry
              label={`Developer temperature, °${scale}`}
              inputMode="decimal"
              defaultValue={text}
              key={scale}
              onText={setTyped}
              problem={problem}
            />
            <Button
              marginTop="25px"
              flexShrink={0}
              onClick={() => choose(scale === "C" ? "F" : "C")}
            >
              Switch to °{scale === "C" ? "F" : "C"}
            </Button>
          </Flex>
        </Flex>
        {nothing && (
          <Box paddingTop="6">
            <Empty title="Nothing to develop.">
              Exposed film is listed here by film, recipe and N.{" "}
              <Link to="/scene">Back to the scene</Link>
            </Empty>
          </Box>
        )}
        {view && view.undecided.length > 0 && (
          <Box paddingTop="4" maxWidth="720px">
            <Notice tone="note">
              {view.undecided.map((each, place) => (
                <Box key={each.strip_id} display={place ? "block" : "inline"}>
                  {capital(each.text)} has no development yet.{" "}
                  <Link to="/film/rolls">Compare developments</Link>, or{" "}
                  <Button
                    variant="word"
                    disabled={busy}
                    onClick={() => write(developStrip(each.strip_id, 0))}
                  >
                    Develop {each.text} at N
                  </Button>
                </Box>
              ))}
            </Notice>
          </Box>
        )}
        {view && view.runs.length > 0 && <Runs runs={view.runs} />}
        <Grid
          templateColumns={{ base: "minmax(0,1fr)", md: "repeat(auto-fill, minmax(360px, 1fr))" }}
          gap={{ base: "6", md: "8" }}
          paddingTop="6"
        >
          {view && view.not_shown > 0 && (
            <Box color="ink2" paddingBlock="2">
              {view.not_shown.toLocaleString("en-GB")} more sheets wait that were exposed before
              these; the Log has them all.
            </Box>
          )}
          {groups.map((group) => (
            <GroupPanel
              key={group.sheets[0]?.exposure_id}
              group={group}
              slips={view?.slips ?? {}}
              stale={Boolean(darkroom.error)}
              refused={view?.refused ?? ""}
              begin={() => setBegun(group)}
              decideOn={() => setDecided(group)}
              send={() => setSent(group)}
            />
          ))}
        </Grid>
        {view && <ToJudge lines={view.to_judge} />}
        <Box paddingTop="6" fontSize="14px">
          <FileLink href="/api/darkroom/runs/table.csv">All runs (CSV)</FileLink>
        </Box>
        {pieces + (view?.runs.length ?? 0) > 0 && (
          <Small paddingTop="8" maxWidth="720px">
            Gloves and eye protection, fresh air; read the maker's safety sheet. Open trays mean no
            light at all, this screen included. Follow the maker's instructions and local rules for
            waste; this program advises.
          </Small>
        )}
      </Box>
      {begun && view && <RunSheet group={begun} warm={view.degrees} close={() => setBegun(null)} />}
      {sent && <SendSheet group={sent} close={() => setSent(null)} />}
      {decided && view && (
        <DecideSheet
          group={decided}
          degrees_c={view.temperature_c}
          close={() => setDecided(null)}
        />
      )}
    </>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

const waitText = (pieces: number) =>
  pieces === 0 ? "nothing to develop" : `${pieces.toLocaleString("en-GB")} to develop`;
