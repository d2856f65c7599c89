import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { memo, useCallback, useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { newId } from "../../api/client";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Conflict } from "../../shared/Conflict";
import { RoomHeader } from "../../shared/RoomHeader";
import { useLatest } from "../../shared/useLatest";
import { useWrite } from "../../shared/useWrite";
import { AreaPanel } from "./AreaPanel";
import { keepPrintClock, readPrintClock } from "./clockState";
import { Layout } from "./Layout";
import type { Drawing } from "./Picture";
import { Picture } from "./Picture";
import { PlanSheet } from "./PlanSheet";
import { PrintClock } from "./PrintClock";
import {
  type Area,
  deletePrint,
  draw,
  type Point,
  type Print,
  type PrintView,
  preview,
  printQuery,
} from "./queries";
import { ReworkSheet } from "./ReworkSheet";
import { StripSheet } from "./StripSheet";
import { Sums } from "./Sums";
import { TOUCHES } from "./shapes";
import { Tries } from "./Tries";
import { useDraft } from "./useDraft";

/** A print: its plan over the picture, seen before there is paper, and every try. */
export function PrintPage() {
  const { id = "" } = useParams();
  const view = useQuery(printQuery(id));
  if (view.error) {
    return (
      <>
        <RoomHeader title="Print" />
        <Box as="main" padding="6">
          <Notice tone="refusal">{view.error.message}</Notice>
          <Box paddingTop="4">
            <Link to="/print">Back to all prints</Link>
          </Box>
        </Box>
      </>
    );
  }
  if (!view.data) return <RoomHeader title="Print" />;
  return <Shown key={id} view={view.data} />;
}

type Open = "plan" | "strip" | "rework" | "clock" | null;

function Shown({ view }: { view: PrintView }) {
  const { draft, change, flush, problem, keepMine, takeTheirs } = useDraft(view);
  const navigate = useNavigate();
  const deleting = useWrite();
  const [chosen, setChosen] = useState<string | null>(null);
  const [drawing, setDrawing] = useState<(Drawing & { area: string | null }) | null>(null);
  const [asScanned, setAsScanned] = useState(false);
  // a clock that was going before a reload goes on
  const [open, setOpen] = useState<Open>(() =>
    readPrintClock()?.print_id === view.print.id ? "clock" : null,
  );
  const [marking, setMarking] = useState<number | null>(null);
  const [judged, setJudged] = useState<number | null>(null);
  const [markAt, setMarkAt] = useState<Point | null>(null);
  const drawn = useLatest(draft, draw) ?? view;
  const { worked } = drawn;
  const { negative } = view;
  const areas = draft.plan.areas;
  const ratio = negative.width ? negative.width / negative.height : 1.25;
  const setAreas = (to: (before: Area[]) => Area[]) =>
    change((before) => ({ ...before, plan: { ...before.plan, areas: to(before.plan.areas) } }));
  const finish = (points: Point[], kind: Drawing["kind"], area: string | null) => {
    setDrawing(null);
    const shape = { kind, points, feather: 0.04 };
    if (area) {
      setAreas((all) => all.map((each) => (each.id === area ? { ...each, shape } : each)));
      return;
    }
    const id = newId();
    setAreas((all) => [
      ...all,
      {
        id,
        label: `Area ${all.length + 1}`,
        act: "burn",
        part: draft.plan.parts[0]?.id ?? "none",
        stops: 1,
        seconds: null,
        shape,
      },
    ]);
    setChosen(id);
  };
  const put = (at: Point) => {
    if (marking !== null) {
      setMarkAt(at);
      setDrawing(null);
      return;
    }
    if (!drawing) return;
    const points = [...drawing.points, at];
    if (points.length >= TOUCHES[drawing.kind]) finish(points, drawing.kind, drawing.area);
    else setDrawing({ ...drawing, points });
  };
  // before and after, by holding a key
  useEffect(() => {
    const turn = (to: boolean) => (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest("input, textarea");
      if (event.key.toLowerCase() === "b" && !typing && !event.ctrlKey && !event.metaKey)
        setAsScanned(to);
    };
    const [down, up] = [turn(true), turn(false)];
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
    };
  }, []);
  const sheet = useCallback(
    async (next: Open) => {
      if (await flush()) setOpen(next);
    },
    [flush],
  );
  const place = useCallback(
    (id: string, before: string) =>
      change((all) => ({
        ...all,
        plan: { ...all.plan, areas: placed(all.plan.areas, id, before) },
      })),
    [change],
  );
  const give = useCallback(
    (part: string, seconds: number) =>
      change((before) => ({
        ...before,
        plan: {
          ...before.plan,
          parts: before.plan.parts.map((each) => (each.id === part ? { ...each, seconds } : each)),
        },
      })),
    [change],
  );
  const begin = useCallback((kind: Drawing["kind"]) => {
    setMarking(null);
    setDrawing({ kind, points: [], area: null });
  }, []);
  const rework = useCallback(() => void sheet("rework"), [sheet]);
  const edit = useCallback(() => void sheet("plan"), [sheet]);
  const mark = useCallback((number: number) => {
    setMarking(number);
    setDrawing({ kind: "corner", points: [], area: null });
  }, []);
  const turn = useCallback(
    () =>
      change((before) => {
        const { sheet: lying } = before.plan;
        return {
          ...before,
          plan: { ...before.plan, sheet: { ...lying, turned: !lying.turned } },
        };
      }),
    [change],
  );
  const area = areas.find((each) => each.id === chosen) ?? null;
  const marked = draft.tries.find((each) => each.number === (marking ?? judged));
  const marks = [...(marked?.marks ?? []), ...(markAt ? [{ ...markAt, says: "…" }] : [])];
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
              <Button
                variant="word"
                aria-pressed={asScanned}
                onClick={() => setAsScanned(!asScanned)}
              >
                {asScanned ? "As scanned" : "As this plan prints"}
              </Button>
            </Flex>
            <Box maxWidth={{ md: `calc(62vh * ${ratio})` }} marginInline="auto">
              <Picture
                source={negative.picture_id ? `/api/attachments/${negative.picture_id}/view` : null}
                ratio={ratio}
                print={draft}
                negative={asScanned}
                areas={areas}
                worked={worked.areas}
                chosen={chosen}
                choose={setChosen}
                drawing={drawing}
                put={put}
                marks={marks}
              />
            </Box>
            <Flex gap="2" wrap="wrap" paddingTop="3" align="center">
              {drawing && marking !== null ? (
                <>
                  <Box aria-live="polite">Touch the place on the picture.</Box>
                  <Button
                    onClick={() => {
                      setDrawing(null);
                      setMarking(null);
                    }}
                  >
                    Cancel
                  </Button>
                </>
              ) : drawing ? (
                <>
                  <Box aria-live="polite">{TEACH[drawing.kind]}</Box>
                  {drawing.kind === "outline" && drawing.points.length >= 3 && (
                    <Button
                      variant="main"
                      onClick={() => finish(drawing.points, drawing.kind, drawing.area)}
                    >
                      Close outline
                    </Button>
                  )}
                  <Button onClick={() => setDrawing(null)}>Cancel</Button>
                </>
              ) : (
                <Shapes begin={begin} />
              )}
            </Flex>
            {markAt && (
              <MarkForm
                keep={(says) => {
                  if (says)
                    change((before) => ({
                      ...before,
                      tries: before.tries.map((each) =>
                        each.number === marking
                          ? { ...each, marks: [...each.marks, { ...markAt, says }] }
                          : each,
                      ),
                    }));
                  setMarkAt(null);
                  setMarking(null);
                }}
              />
            )}
            <Box color="ink2" fontSize="13px" paddingTop="2">
              <PreviewSays print={draft} /> Hold B to see the scan.
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
                change={(to) =>
                  setAreas((all) => all.map((each) => (each.id === area.id ? to(each) : each)))
                }
                move={(by) => setAreas((all) => moved(all, area.id, by))}
                redraw={(kind) => setDrawing({ kind, points: [], area: area.id })}
                remove={() => {
                  setAreas((all) => all.filter((each) => each.id !== area.id));
                  setChosen(null);
                }}
                close={() => setChosen(null)}
              />
            )}
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
            <Box fontSize="15px">
              <a href={`/api/prints/${draft.id}/map.pdf`}>Map of this print as PDF</a>, its times as{" "}
              <a href={`/api/prints/${draft.id}/map.csv`}>CSV</a>
            </Box>
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
              tries={draft.tries}
              change={change}
              flush={flush}
              mark={mark}
              rework={rework}
              look={setJudged}
            />
            <LayoutAtRest layout={worked.layout} turn={turn} edit={edit} />
            <Box>
              <Button
                variant="quiet"
                disabled={deleting.busy}
                onClick={() =>
                  void deleting.write(deletePrint(draft.id), { at_once: () => navigate("/print") })
                }
              >
                Delete print
              </Button>
            </Box>
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

/** How good the preview is: it depends on the paper and on a strip being chosen, not on times. */
const PreviewSays = memo(
  function PreviewSays({ print }: { print: Print }) {
    return useLatest(print, preview)?.says ?? "";
  },
  (before, now) =>
    before.print.right_s === now.print.right_s &&
    before.print.plan.paper_id === now.print.plan.paper_id,
);

/** What is to be seen at a place of a print. */
function MarkForm({ keep }: { keep: (says: string) => void }) {
  const [says, setSays] = useState("");
  return (
    <Flex
      as="form"
      gap="2"
      align="flex-end"
      paddingTop="3"
      onSubmit={(event) => {
        event.preventDefault();
        keep(says.trim());
      }}
    >
      <Entry
        label="What is to be seen here"
        placeholder="too dark"
        maxLength={80}
        autoFocus
        value={says}
        onChange={(event) => setSays(event.target.value)}
      />
      <Button type="submit" variant="main">
        Mark
      </Button>
    </Flex>
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

const Shapes = memo(function Shapes({ begin }: { begin: (kind: Drawing["kind"]) => void }) {
  return SHAPES.map(([kind, label]) => (
    <Button key={kind} onClick={() => begin(kind)}>
      {label}
    </Button>
  ));
});

const SumsAtRest = memo(Sums);
const TriesAtRest = memo(Tries);
const LayoutAtRest = memo(
  Layout,
  (before, now) =>
    before.turn === now.turn && JSON.stringify(before.layout) === JSON.stringify(now.layout),
);

const SHAPES: [Drawing["kind"], string][] = [
  ["outline", "Outline"],
  ["circle", "Hole in a card"],
  ["edge", "Edge"],
  ["corner", "Corner"],
  ["vignette", "Vignette"],
];
const TEACH: Record<Drawing["kind"], string> = {
  outline: "Touch around the area; close it when it is whole.",
  circle: "Touch its middle, then its rim.",
  edge: "Touch two places of the line; all beyond it counts.",
  corner: "Touch how far the corner reaches in.",
  vignette: "Touch where the oval ends.",
};

/** An area where another stands; the others close up. */
function placed(all: Area[], id: string, at: string): Area[] {
  const one = all.find((each) => each.id === id);
  const [from, to] = [id, at].map((each) => all.findIndex((area) => area.id === each));
  if (!one || from === undefined || to === undefined) return all;
  const rest = all.filter((each) => each.id !== id);
  return [...rest.slice(0, to), one, ...rest.slice(to)];
}

/** An area one place earlier or later. */
function moved(all: Area[], id: string, by: -1 | 1): Area[] {
  const from = all.findIndex((each) => each.id === id);
  const to = from + by;
  const [one, two] = [all[from], all[to]];
  if (!one || !two) return all;
  return all.map((each, place) => (place === from ? two : place === to ? one : each));
}
