import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { memo, useCallback, useDeferredValue, useMemo, useRef, useState } from "react";
import { kitQuery, outingsQuery } from "../../api/queries";
import { type Keys, useKeys } from "../../app/keys";
import { RoomHeader } from "../../app/RoomHeader";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Sheet } from "../../components/Sheet";
import { useNarrow } from "../../components/useNarrow";
import { ToneBridge } from "./bridge/ToneBridge";
import { ExposeSheet } from "./ExposeSheet";
import { ExposureSheet } from "./ExposureSheet";
import {
  AdviceList,
  Alternatives,
  DevelopmentText,
  ErrorOfSetting,
  Exposed,
  ExposureLedger,
  Result,
} from "./Panels";
import { PinSheet } from "./PinSheet";
import { type ExposureView, type Scene, useKeeping, useSolution } from "./queries";
import { ReadingLine } from "./ReadingLine";
import { FirstReading, Waiting } from "./Teaching";
import { TitleSheet } from "./TitleSheet";
import { Sentence } from "./words/Sentence";

/** A scene being worked on: wide with its sums beside it, on a phone upright with them behind a word. */
export function OpenScene({
  id,
  view,
}: {
  id: string;
  view: { scene: Scene; exposures: ExposureView[]; lines: Record<string, string> } | undefined;
}) {
  const kit = useQuery(kitQuery);
  const outings = useQuery(outingsQuery);
  const narrow = useNarrow();
  const line = useRef<HTMLInputElement>(null);
  const { scene, save, edit, unkept } = useKeeping(id, view?.scene);
  const { solution, away, ask } = useSolution(scene, kit.dataUpdatedAt);
  // While a pin is dragged the bridge and the result follow at once; the rest may come a moment later.
  const calmScene = useDeferredValue(scene);
  const calmSolution = useDeferredValue(solution);
  const [open, setOpen] = useState<"expose" | "ledger" | "title" | null>(null);
  const [pin, setPin] = useState<string | null>(null);
  const [corrected, setCorrected] = useState<ExposureView | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);

  const ready = Boolean(solution?.answer);
  const keys = useMemo<Keys>(
    () => ({
      "/": () => line.current?.focus(),
      e: () => ready && setOpen("expose"),
    }),
    [ready],
  );
  useKeys(keys);

  const change = useCallback(
    async (next: Scene, done: boolean) => {
      setRefused(null);
      if (!done) ask(next);
      else await save(next).catch((problem: Error) => setRefused(problem.message));
    },
    [save, ask],
  );

  const openTitle = useCallback(() => setOpen("title"), []);
  const chooseAperture = useCallback(
    (aperture: string) => calmScene && change({ ...calmScene, aperture }, true),
    [change, calmScene],
  );

  if (!scene || !calmScene || !kit.data || !view) return <RoomHeader title="Scene" />;

  const outing = outings.data?.find((each) => each.outing.id === scene.outing_id)?.outing;
  const sub = [outing?.title, outing?.conditions].filter(Boolean).join(" · ");
  const film = kit.data.films.find((each) => each.id === scene.film_id);
  const labels = new Map(scene.readings.map((each) => [each.id, each.label]));
  const pins = (solution?.falls ?? [])
    .filter((fall) => labels.has(fall.id))
    .map((fall) => ({ ...fall, label: labels.get(fall.id) ?? "" }));
  const placedId = scene.pin?.reading ?? scene.readings[0]?.id ?? null;
  const highId = solution?.high_reading ?? null;
  const nText = solution?.answer?.development.n_text ?? "N";

  const bridge = scene.readings.length ? (
    <ToneBridge
      pins={pins}
      pinned={placedId}
      high={highId}
      range={film ? (film.textural_range as [number, number]) : [2, 8]}
      nText={nText}
      upright={narrow}
      onPlace={(reading, zone, done) => change({ ...scene, pin: { reading, zone } }, done)}
      onTarget={(zone, done) =>
        highId && change({ ...scene, n: null, high: { reading: highId, zone } }, done)
      }
      onOpen={setPin}
    />
  ) : (
    <FirstReading />
  );

  const entry = <ReadingLine scene={calmScene} edit={edit} field={line} />;
  const sentence = (
    <Sentence scene={calmScene} kit={kit.data} solution={calmSolution} save={save}>
      {narrow && solution?.answer && (
        <Button variant="word" onClick={() => setOpen("ledger")}>
          how it adds up
        </Button>
      )}
    </Sentence>
  );
  const exposeButton = (
    <Button
      variant="main"
      minHeight={narrow ? "56px" : "52px"}
      fontSize="17px"
      width="100%"
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
  );
  const messages = (
    <>
      {away && (
        <Notice tone="warning" live>
          Emulsa does not answer; what you see may be old. It is asked again with your next change.
        </Notice>
      )}
      {unkept && (
        <Notice tone="warning" live>
          {unkept.message}{" "}
          <Button variant="word" onClick={() => change(unkept.scene, true)}>
            Keep it now
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
  return (
    <>
      <Header scene={calmScene} sub={sub} change={openTitle} />
      {narrow ? (
        <Flex
          as="main"
          direction="column"
          flex="1"
          minHeight="0"
          overflow="auto"
          paddingInline="4"
          gap="2"
          paddingBottom="3"
          background="sheet"
        >
          <Flex
            align="baseline"
            justify="space-between"
            borderBottom="2px solid"
            borderColor="ink"
            paddingBottom="2"
            paddingTop="1"
            minHeight="66px"
          >
            {solution?.answer ? (
              <Result answer={solution.answer} small />
            ) : (
              <Waiting solution={solution} />
            )}
            {solution?.answer && (
              <Box textAlign="right" fontSize="15px">
                <Box fontWeight={650} fontSize="19px">
                  {nText}
                </Box>
                {solution.development?.minutes_text}
              </Box>
            )}
          </Flex>
          {messages}
          {sentence}
          {bridge}
          {solution && <AdviceList solution={calmSolution ?? solution} most={1} />}
          {entry}
          {exposeButton}
        </Flex>
      ) : (
        <Grid flex="1" minHeight="0" templateColumns="minmax(0,1fr) 356px">
          <Flex
            as="main"
            direction="column"
            minWidth="0"
            minHeight="0"
            paddingInline="6"
            paddingTop="4"
          >
            {entry}
            <Box paddingTop="2">{sentence}</Box>
            {bridge}
            {calmSolution?.answer && calmSolution.answer.equivalents.length > 0 && (
              <Alternatives
                answer={calmSolution.answer}
                aperture={calmScene.aperture}
                choose={chooseAperture}
              />
            )}
          </Flex>
          <Flex
            as="aside"
            aria-label="Exposure"
            direction="column"
            gap="3"
            minHeight="0"
            overflow="auto"
            background="sheet"
            borderLeft="1px solid"
            borderColor="line"
            padding="4"
            paddingInline="5"
          >
            {solution?.answer ? (
              <>
                <Box as="h2" fontSize="13px" fontWeight={600} color="ink2">
                  How this exposure adds up, at {solution.answer.set.aperture}
                </Box>
                <ExposureLedger answer={solution.answer} />
                <Box borderTop="2px solid" borderColor="ink" marginTop="-13px" paddingTop="3">
                  <Result answer={solution.answer} />
                  <ErrorOfSetting answer={solution.answer} />
                </Box>
                <DevelopmentText solution={solution} />
                <AdviceList solution={calmSolution ?? solution} most={3} />
              </>
            ) : (
              <Waiting solution={solution} />
            )}
            {messages}
            <Exposed views={view.exposures} open={setCorrected} />
            <Box flex="1" />
            {exposeButton}
          </Flex>
        </Grid>
      )}
      {open === "expose" && solution?.answer && (
        <ExposeSheet
          scene={scene}
          answer={solution.answer}
          filmName={film?.name ?? "film"}
          close={() => setOpen(null)}
          logged={setSaid}
        />
      )}
      {open === "title" && (
        <TitleSheet
          scene={scene}
          exposed={view.exposures.length > 0}
          save={save}
          close={() => setOpen(null)}
        />
      )}
      <Sheet
        open={open === "ledger"}
        close={() => setOpen(null)}
        title="How it adds up"
        footer={<Button onClick={() => setOpen(null)}>Close</Button>}
      >
        {solution?.answer && (
          <Flex direction="column" gap="3">
            <ExposureLedger answer={solution.answer} />
            <Result answer={solution.answer} />
            <ErrorOfSetting answer={solution.answer} />
            <DevelopmentText solution={solution} />
            <AdviceList solution={solution} most={9} />
            <Exposed views={view.exposures} open={setCorrected} />
          </Flex>
        )}
      </Sheet>
      {pin && labels.has(pin) && (
        <PinSheet
          scene={scene}
          id={pin}
          line={view.lines[pin] ?? ""}
          high={highId}
          save={save}
          close={() => setPin(null)}
        />
      )}
      {corrected && (
        <ExposureSheet
          view={corrected}
          recipes={kit.data.recipes.filter((each) => each.film_id === scene.film_id)}
          close={() => setCorrected(null)}
        />
      )}
    </>
  );
}

const Header = memo(function Header({
  scene,
  sub,
  change,
}: {
  scene: Scene;
  sub: string;
  change: () => void;
}) {
  const title = (
    <Button
      variant="quiet"
      paddingInline="0"
      fontWeight={650}
      fontSize="inherit"
      maxWidth="100%"
      overflow="hidden"
      onClick={change}
      title="Change the title or note"
    >
      <Box as="span" overflow="hidden" textOverflow="ellipsis">
        {scene.title}
      </Box>
    </Button>
  );
  return <RoomHeader title={title} sub={sub} />;
});
