import { useQuery } from "@tanstack/react-query";
import {
  type ReactNode,
  useCallback,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import { kitQuery } from "../../api/queries";
import { useStamp } from "../../api/reads";
import { type Keys, useKeys } from "../../shared/keys";
import { RoomHeader } from "../../shared/RoomHeader";
import { Told } from "../../shared/told";
import { useAsked } from "../../shared/useAsked";
import { Crowd } from "./bridge/Crowd";
import { ToneBridge } from "./bridge/ToneBridge";
import { ExposeButtons } from "./ExposeButtons";
import { LyingScene, UprightScene } from "./Layouts";
import { Messages } from "./Messages";
import { Pictured, type Seen } from "./Pictured";
import type { Edit, ExposureView, SceneView, Solution } from "./queries";
import { ReadingLine } from "./ReadingLine";
import { type Open, SceneDialogs } from "./SceneDialogs";
import { SceneHeader } from "./SceneHeader";
import { Settings } from "./Settings";
import { TabletScene, WideScene } from "./SummedLayouts";
import { FirstReading } from "./Teaching";
import { type Change, type Keeper, useKeeping } from "./useKeeping";
import { useShape } from "./useShape";
import { useSolution } from "./useSolution";

/** A simulated scene in the room: how it looks and is metered, what is asked of it, and how it is
    exposed; ``byHand`` hides every sum. */
export interface Practised {
  looks: (edit: (change: Change) => Promise<void>) => ReactNode;
  sub: string;
  byHand: boolean;
  expose: (solution: Solution, close: () => void) => ReactNode;
}

/** A scene being worked on: wide with its sums beside it, on a phone upright with them behind a word. */
export function OpenScene({
  keeper,
  view,
  ready: typing,
  practised,
}: {
  keeper: Keeper;
  view: SceneView | undefined;
  /** nothing was typed yet: the line waits for the first reading */
  ready: boolean;
  /** what a simulated scene has instead of film */
  practised?: Practised;
}) {
  const kit = useQuery(kitQuery);
  const shape = useShape();
  const narrow = shape === "upright" || shape === "lying";
  const line = useRef<HTMLInputElement>(null);
  const { scene, edit, unkept, clash, settle } = useKeeping(keeper, view);
  const stamp = kit.dataUpdatedAt + useStamp("scenes_solve");
  const { solution, draft, away, ask } = useSolution(scene, stamp);
  // While a pin is dragged the bridge and the result follow at once; the rest may come a moment later.
  const calmScene = useDeferredValue(scene);
  const calmSolution = useDeferredValue(solution);
  const [open, setOpen] = useState<Open>(null);
  const [pin, setPin] = useState<string | null>(null);
  const [corrected, setCorrected] = useState<ExposureView | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [seen] = useState(() => new Told<Seen | null>(null));
  const [refused, setRefused] = useState<string | null>(null);

  const ready = Boolean(solution?.answer);
  // a reading begins with a digit, wherever one is
  const begin = useCallback(() => {
    line.current?.focus();
    return "typed";
  }, []);
  const keys = useMemo<Keys>(
    () => ({
      "/": () => line.current?.focus(),
      ...Object.fromEntries([..."0123456789"].map((digit) => [digit, begin])),
      e: () => ready && setOpen("expose"),
      b: () => ready && !practised && setOpen("bracket"),
    }),
    [ready, begin, practised],
  );
  useKeys(keys);
  useAsked(ready || Boolean(scene && !scene.readings.length), {
    type: () => line.current?.focus(),
    expose: () => ready && setOpen("expose"),
  });
  // a scene one has just begun has no reading yet
  const bare = view !== undefined && view.scene.readings.length === 0;
  const waits = (typing || bare) && kit.isSuccess && Boolean(calmScene);
  useEffect(() => {
    if (waits) line.current?.focus();
  }, [waits]);

  const change = useCallback(
    async (edits: Edit[], done: boolean) => {
      setRefused(null);
      if (done) await edit(edits).catch((problem: Error) => setRefused(problem.message));
      else if (scene) ask(scene, edits);
    },
    [edit, ask, scene],
  );

  const take = useCallback((edits: Edit[]) => void change(edits, true), [change]);
  const openExpose = useCallback(() => setOpen("expose"), []);
  const openTitle = useCallback(() => setOpen("title"), []);
  const chooseAperture = useCallback(
    (aperture: string) => void change([{ kind: "aperture", aperture }], true),
    [change],
  );

  if (!scene || !calmScene || !kit.data || !view) return <RoomHeader title="Scene" />;

  const { outing } = view;
  const shownSolution = practised?.byHand && solution ? withoutSums(solution) : solution;
  const sub =
    practised?.sub ??
    [outing?.title, outing?.conditions, outing?.light].filter(Boolean).join(" · ");
  const labels = new Map(scene.readings.map((each) => [each.id, each.label]));
  const pins = (solution?.falls ?? [])
    .filter((fall) => labels.has(fall.id))
    .map((fall) => ({ ...fall, label: labels.get(fall.id) ?? "" }));
  const placedId = solution?.placed_reading ?? null;
  const highId = solution?.high_reading ?? null;
  const nText = solution?.answer?.development.n_text ?? "N";

  const rails = scene.readings.length ? (
    <>
      <ToneBridge
        pins={pins}
        seen={view.picture ? seen : undefined}
        low={Boolean(view.picture ?? practised)}
        pinned={placedId}
        high={highId}
        highMarked={solution?.high_marked ?? false}
        range={solution?.textural_range as [number, number] | undefined}
        rangeText={solution?.textural_text ?? ""}
        nText={nText}
        noN={solution?.no_n ?? ""}
        upright={narrow}
        onPlace={(reading, zone, done) => change([{ kind: "place", reading, zone }], done)}
        onTarget={(zone, done) =>
          highId && change([{ kind: "mark_high", reading: highId, zone }], done)
        }
        onOpen={setPin}
      />
      <Crowd pins={pins} pinned={placedId} high={highId} open={setPin} />
    </>
  ) : (
    <FirstReading />
  );

  const bridge = practised ? (
    <>
      {practised.looks(edit)}
      {!bare && rails}
    </>
  ) : (
    <Pictured
      view={view}
      draft={draft}
      placed={placedId}
      narrow={narrow}
      stamp={stamp}
      bridge={rails}
      edit={edit}
      open={setPin}
      onSeen={seen.set}
    />
  );

  const entry = (
    <ReadingLine
      scene={calmScene}
      edit={edit}
      field={line}
      labels={view.labels}
      narrow={shape === "upright"}
      expose={ready ? openExpose : null}
    />
  );
  const sentence = (
    <Settings
      scene={calmScene}
      kit={kit.data}
      solution={calmSolution}
      edit={edit}
      pictureless={!practised && !view.picture && Boolean(view.version)}
      behind={narrow && Boolean(shownSolution?.answer)}
      open={setOpen}
    />
  );
  const expose = (
    <ExposeButtons
      tall={shape === "upright"}
      keys={!narrow}
      ready={ready}
      alone={Boolean(practised)}
      open={setOpen}
    />
  );
  const messages = (
    <Messages
      away={away}
      unkept={unkept?.message ?? null}
      save={() => unkept && void edit(async () => unkept.changed).catch(() => undefined)}
      refused={refused}
      said={said}
    />
  );
  const parts = { entry, sentence, bridge, expose, messages };
  const shown = {
    parts,
    view,
    solution: shownSolution,
    calm: practised?.byHand ? shownSolution : calmSolution,
    take,
  };
  const summed = { scene: calmScene, stamp, choose: chooseAperture, correct: setCorrected };
  return (
    <>
      <SceneHeader
        scene={calmScene}
        sub={sub}
        age={[solution?.age_text, solution?.light_text].filter(Boolean).join(" · ")}
        change={openTitle}
      />
      {shape === "upright" && <UprightScene {...shown} />}
      {shape === "lying" && <LyingScene {...shown} />}
      {shape === "tablet" && <TabletScene {...shown} {...summed} />}
      {shape === "wide" && <WideScene {...shown} {...summed} />}
      {practised &&
        open === "expose" &&
        solution &&
        practised.expose(solution, () => setOpen(null))}
      <SceneDialogs
        scene={scene}
        solution={solution}
        kit={kit.data}
        view={view}
        open={practised && (open === "expose" || open === "bracket") ? null : open}
        setOpen={setOpen}
        pin={pin}
        setPin={setPin}
        corrected={corrected}
        setCorrected={setCorrected}
        clash={clash}
        settle={settle}
        stamp={stamp}
        edit={edit}
        take={take}
        choose={chooseAperture}
        logged={setSaid}
      />
    </>
  );
}

/** Readings and what they fall on, and not a sum: those are done by hand. */
const withoutSums = (solution: Solution): Solution => ({
  ...solution,
  answer: null,
  development: null,
  fixes: [],
  problem: {
    code: "missing",
    message: "The sums are yours: filter, bellows, long light. Expose when you have your time.",
    field: null,
    allowed: null,
  },
});
