import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { kitQuery } from "../../api/queries";
import { useStamp } from "../../api/reads";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { useNarrow } from "../../components/useNarrow";
import { type Keys, useKeys } from "../../shared/keys";
import { RoomHeader } from "../../shared/RoomHeader";
import { useAsked } from "../../shared/useAsked";
import { ToneBridge } from "./bridge/ToneBridge";
import { UprightScene, WideScene } from "./Layouts";
import type { Edit, ExposureView, SceneView } from "./queries";
import { ReadingLine } from "./ReadingLine";
import { type Open, SceneDialogs } from "./SceneDialogs";
import { SceneHeader } from "./SceneHeader";
import { FirstReading } from "./Teaching";
import { useKeeping } from "./useKeeping";
import { useSolution } from "./useSolution";
import { Sentence } from "./words/Sentence";

/** A scene being worked on: wide with its sums beside it, on a phone upright with them behind a word. */
export function OpenScene({
  id,
  view,
  ready: typing,
}: {
  id: string;
  view: SceneView | undefined;
  /** nothing was typed yet: the line waits for the first reading */
  ready: boolean;
}) {
  const kit = useQuery(kitQuery);
  const narrow = useNarrow();
  const line = useRef<HTMLInputElement>(null);
  const { scene, edit, unkept, clash, settle } = useKeeping(id, view);
  const stamp = kit.dataUpdatedAt + useStamp("scenes_solve");
  const { solution, away, ask } = useSolution(scene, stamp);
  // While a pin is dragged the bridge and the result follow at once; the rest may come a moment later.
  const calmScene = useDeferredValue(scene);
  const calmSolution = useDeferredValue(solution);
  const [open, setOpen] = useState<Open>(null);
  const [pin, setPin] = useState<string | null>(null);
  const [corrected, setCorrected] = useState<ExposureView | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);

  const ready = Boolean(solution?.answer);
  const keys = useMemo<Keys>(
    () => ({
      "/": () => line.current?.focus(),
      e: () => ready && setOpen("expose"),
      b: () => ready && setOpen("bracket"),
    }),
    [ready],
  );
  useKeys(keys);
  useAsked(ready || Boolean(scene && !scene.readings.length), {
    type: () => line.current?.focus(),
    expose: () => ready && setOpen("expose"),
  });
  const waits = typing && kit.isSuccess;
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
  const sub = [outing?.title, outing?.conditions, outing?.light].filter(Boolean).join(" · ");
  const labels = new Map(scene.readings.map((each) => [each.id, each.label]));
  const pins = (solution?.falls ?? [])
    .filter((fall) => labels.has(fall.id))
    .map((fall) => ({ ...fall, label: labels.get(fall.id) ?? "" }));
  const placedId = solution?.placed_reading ?? null;
  const highId = solution?.high_reading ?? null;
  const nText = solution?.answer?.development.n_text ?? "N";

  const bridge = scene.readings.length ? (
    <ToneBridge
      pins={pins}
      pinned={placedId}
      high={highId}
      highMarked={solution?.high_marked ?? false}
      range={solution?.textural_range as [number, number] | undefined}
      rangeText={solution?.textural_text ?? ""}
      nText={nText}
      upright={narrow}
      onPlace={(reading, zone, done) => change([{ kind: "place", reading, zone }], done)}
      onTarget={(zone, done) =>
        highId && change([{ kind: "mark_high", reading: highId, zone }], done)
      }
      onOpen={setPin}
    />
  ) : (
    <FirstReading />
  );

  const entry = (
    <ReadingLine
      scene={calmScene}
      edit={edit}
      field={line}
      labels={view.labels}
      narrow={narrow}
      expose={ready ? openExpose : null}
    />
  );
  const sentence = (
    <Sentence scene={calmScene} kit={kit.data} solution={calmSolution} edit={edit}>
      {narrow && solution?.answer && (
        <>
          <Button variant="word" onClick={() => setOpen("ledger")}>
            how it adds up
          </Button>
          <Button variant="word" onClick={() => setOpen("ways")}>
            other ways
          </Button>
        </>
      )}
    </Sentence>
  );
  const exposeButton = (
    <Flex gap="3">
      <Button
        minHeight={narrow ? "56px" : "52px"}
        disabled={!ready}
        onClick={() => setOpen("bracket")}
      >
        Bracket
      </Button>
      <Button
        variant="main"
        minHeight={narrow ? "56px" : "52px"}
        fontSize="17px"
        flex="1"
        disabled={!ready}
        onClick={() => setOpen("expose")}
      >
        Expose{" "}
        {!narrow && (
          <Box as="kbd" fontFamily="inherit" opacity={0.8}>
            e
          </Box>
        )}
      </Button>
    </Flex>
  );
  const messages = (
    <>
      {away && (
        <Notice tone="warning" live>
          Emulsa is not responding; figures may be out of date.
        </Notice>
      )}
      {unkept && (
        <Notice tone="warning" live>
          {unkept.message}{" "}
          <Button
            variant="word"
            onClick={() => void edit(async () => unkept.changed).catch(() => undefined)}
          >
            Save now
          </Button>
        </Notice>
      )}
      {refused && !unkept && (
        <Notice tone="refusal" live>
          {refused}
        </Notice>
      )}
      {said && (
        <Box role="status" fontSize="15px" color="accent" fontWeight={600}>
          {said}
        </Box>
      )}
    </>
  );
  const parts = { entry, sentence, bridge, expose: exposeButton, messages };
  const shown = { parts, view, solution, calm: calmSolution, take };
  return (
    <>
      <SceneHeader scene={calmScene} sub={sub} age={solution?.age_text ?? ""} change={openTitle} />
      {narrow ? (
        <UprightScene {...shown} />
      ) : (
        <WideScene
          {...shown}
          scene={calmScene}
          stamp={stamp}
          choose={chooseAperture}
          correct={setCorrected}
        />
      )}
      <SceneDialogs
        scene={scene}
        solution={solution}
        kit={kit.data}
        view={view}
        open={open}
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
