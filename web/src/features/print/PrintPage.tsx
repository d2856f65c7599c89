import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { memo, useCallback, useRef, useState } from "react";
import { Link, useParams } from "wouter";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { useNarrow } from "../../components/useNarrow";
import { Conflict } from "../../shared/Conflict";
import { FileLink } from "../../shared/FileLink";
import { Opened } from "../../shared/Opened";
import { SeenBefore } from "../../shared/picture/SeenBefore";
import { RoomHeader } from "../../shared/RoomHeader";
import { useLatest } from "../../shared/useLatest";
import { AreaPanel } from "./AreaPanel";
import { keepPrintClock, readPrintClock } from "./clockState";
import { DeletePrint } from "./DeletePrint";
import { moved, onceMore, placed, removed, timed, turned, withArea } from "./edits";
import { InkjetPage } from "./InkjetPage";
import { Layout } from "./Layout";
import { Picture } from "./Picture";
import { PlanSheet } from "./PlanSheet";
import { PrintClock } from "./PrintClock";
import { draw, type PrintView, printQuery, putPrint } from "./queries";
import { ReworkSheet } from "./ReworkSheet";
import { StripSheet } from "./StripSheet";
import { Sums } from "./Sums";
import { Touching } from "./Touching";
import { Tries } from "./Tries";
import { useDraft } from "./useDraft";
import { useHeldKey } from "./useHeldKey";
import { type Marker, useTouches } from "./useTouches";

/** A print: its plan over the picture, seen before there is paper, and every try. */
export function PrintPage() {
  const { id = "" } = useParams();
  const view = useQuery(printQuery(id));
  return (
    <Opened query={view} title="Print" back={["/print", "Back to all prints"]}>
      {(found) =>
        found.print.inkjet ? (
          <InkjetPage key={id} view={found} inkjet={found.print.inkjet} />
        ) : (
          <Shown key={id} view={found} />
        )
      }
    </Opened>
  );
}

/** Words and sums follow what is dragged so often; the picture itself is quicker. */
const SEEN_MS = 80;

type Open = "plan" | "strip" | "rework" | "clock" | null;

function Shown({ view }: { view: PrintView }) {
  const stored = { value: view.print, version: view.version };
  const { draft, change, flush, problem, keepMine, takeTheirs } = useDraft(stored, putPrint);
  const [chosen, setChosen] = useState<string | null>(null);
  const [asScanned, setAsScanned] = useState(false);
  // a clock that was going before a reload goes on
  const [open, setOpen] = useState<Open>(() =>
    readPrintClock()?.print_id === view.print.id ? "clock" : null,
  );
  const [judged, setJudged] = useState<string | null>(null);
  const asKept = draft === view.print;
  const changed = useLatest(asKept ? null : draft, draw, SEEN_MS);
  const drawn = asKept ? view : (changed ?? view);
  const marker = useRef<Marker | null>(null);
  const { worked } = drawn;
  const { negative } = view;
  const areas = draft.plan.areas;
  const ratio = negative.width ? negative.width / negative.height : 1.25;
  const touches = useTouches(draft, change, setChosen, (at, says) => marker.current?.(at, says));
  const narrow = useNarrow(); // a phone has no B to hold: it has the words above
  useHeldKey("b", setAsScanned); // before and after
  const sheet = useCallback(
    async (next: Open) => {
      if (await flush()) setOpen(next);
    },
    [flush],
  );
  const place = useCallback((id: string, at: string) => change(placed(id, at)), [change]);
  const give = useCallback((part: string, s: number) => change(timed(part, s)), [change]);
  const turn = useCallback(() => change(turned), [change]);
  const rework = useCallback(() => void sheet("rework"), [sheet]);
  const edit = useCallback(() => void sheet("plan"), [sheet]);
  const area = areas.find((each) => each.id === chosen) ?? null;
  const { marking, markAt, cancel } = touches;
  const look = useCallback(
    (try_id: string | null) => {
      cancel(); // a mark that was begun was for the print that was open
      setJudged(try_id);
    },
    [cancel],
  );
  const tried = view.tries.find((each) => each.id === (marking ?? judged));
  const marks = [...(tried?.notes.marks ?? []), ...(markAt ? [{ ...markAt, says: "…" }] : [])];
  return (
    <>
      <Header title={draft.title} sub={view.negative_text} />
      <Box as="main" flex="1" overflow="auto">
        <Grid
          templateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) 360px" }}
          templateAreas={{ base: '"picture" "sums" "rest"', md: '"picture sums" "rest sums"' }}
          templateRows={{ md: "auto 1fr" }}
        >
          <Box gridArea="picture" padding={{ base: "4", md: "6" }} paddingBottom="3">
            <Flex columnGap="6" wrap="wrap" paddingBottom="3" align="center">
              <Button variant="word" onClick={() => void sheet("plan")}>
                {`f/${draft.plan.setting.aperture}, ${draft.plan.setting.magnification} ×, ${view.paper?.name ?? "paper not chosen"}`}
              </Button>
              <Flex as="fieldset" gap="3" align="center">
                <Box as="legend" float="left" paddingRight="2" color="ink2">
                  Show:
                </Box>
                {(["plan", "scan"] as const).map((what) => (
                  <Button
                    key={what}
                    variant="word"
                    aria-pressed={asScanned === (what === "scan")}
                    fontWeight={asScanned === (what === "scan") ? 650 : 450}
                    onClick={() => setAsScanned(what === "scan")}
                  >
                    {what === "scan" && drawn.by_scene ? "picture" : what}
                  </Button>
                ))}
              </Flex>
            </Flex>
            <Box maxWidth={{ md: `calc(62vh * ${ratio})` }} marginInline="auto">
              <Picture
                source={drawn.seen_id ? `/api/attachments/${drawn.seen_id}/view` : null}
                byScene={drawn.by_scene}
                ratio={ratio}
                print={draft}
                negative={asScanned}
                areas={areas}
                worked={worked.areas}
                chosen={chosen}
                choose={setChosen}
                drawing={touches.drawing}
                put={touches.put}
                marks={marks}
              />
            </Box>
            <Touching touches={touches} />
            <Box color="ink2" fontSize="13px" paddingTop="2">
              {drawn.preview_text}
              {!narrow &&
                (drawn.by_scene ? " Hold B to see the picture." : " Hold B to see the scan.")}
            </Box>
          </Box>
          <Flex
            as="section"
            aria-label="How this print is made"
            gridArea="sums"
            direction="column"
            gap="4"
            padding={{ base: "4", md: "6" }}
            borderLeft={{ md: "1px solid" }}
            borderColor={{ md: "line" }}
          >
            <SumsAtRest
              worked={worked}
              aperture={draft.plan.setting.aperture}
              place={place}
              parts={draft.plan.parts}
              give={give}
            />
            {area && (
              <AreaPanel
                key={area.id}
                area={area}
                plan={draft.plan}
                change={(to) => change(withArea(area.id, to))}
                move={(by) => change(moved(area.id, by))}
                redraw={(kind) => touches.begin(kind, area.id)}
                filters={view.paper?.filters.map((each) => each.label) ?? []}
                again={() => {
                  const as = newId();
                  change(onceMore(area.id, as));
                  setChosen(as);
                }}
                remove={() => {
                  change(removed(area.id));
                  setChosen(null);
                }}
                close={() => setChosen(null)}
              />
            )}
            {view.full_text && <Notice tone="note">{view.full_text}</Notice>}
            <Problem of={problem} />
            <Conflict problem={problem} mine={draft} keep={keepMine} take={takeTheirs} />
            <Flex gap="3" wrap="wrap">
              <Button onClick={() => void sheet("strip")}>Test strip</Button>
              <Button
                variant="main"
                onClick={() => {
                  keepPrintClock(null);
                  void sheet("clock");
                }}
              >
                Expose by the clock
              </Button>
            </Flex>
            <Flex gap="5" rowGap="2" wrap="wrap" fontSize="15px">
              <FileLink href={`/api/prints/${draft.id}/map.pdf`}>Map of this print as PDF</FileLink>
              <FileLink href={`/api/prints/${draft.id}/map.csv`}>Times (CSV)</FileLink>
            </Flex>
          </Flex>
          <Box
            gridArea="rest"
            padding={{ base: "4", md: "6" }}
            paddingTop={{ md: "0" }}
            display="flex"
            flexDirection="column"
            gap="6"
          >
            <TriesAtRest
              view={view}
              flush={flush}
              marker={marker}
              mark={touches.mark}
              rework={rework}
              look={look}
            />
            {view.picture_id && (
              <Box as="section" aria-label="Seen before the shutter">
                <Box as="h2" fontSize="15px" fontWeight={650} paddingBottom="2">
                  Seen before the shutter
                </Box>
                <SeenBefore id={draft.exposure_id} pictureId={view.picture_id} />
              </Box>
            )}
            <LayoutAtRest layout={worked.layout} turn={turn} edit={edit} />
            <DeletePrint print={draft} />
          </Box>
        </Grid>
      </Box>
      {open === "plan" && <PlanSheet view={view} close={() => setOpen(null)} />}
      {open === "strip" && <StripSheet view={view} close={() => setOpen(null)} />}
      {open === "rework" && <ReworkSheet view={view} close={() => setOpen(null)} />}
      {open === "clock" && <PrintClock view={view} close={() => setOpen(null)} />}
    </>
  );
}

const Header = memo(function Header({ title, sub }: { title: string; sub: string }) {
  return (
    <RoomHeader title={title} sub={sub}>
      <Box display={{ base: "none", md: "block" }}>
        <Link to="/print">All prints</Link>
      </Box>
    </RoomHeader>
  );
});

const SumsAtRest = memo(Sums);
const TriesAtRest = memo(Tries);
const LayoutAtRest = memo(
  Layout,
  (before, now) =>
    before.turn === now.turn && JSON.stringify(before.layout) === JSON.stringify(now.layout),
);
