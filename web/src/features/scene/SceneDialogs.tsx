import { Flex } from "@chakra-ui/react";
import { lazy, Suspense } from "react";
import { Button } from "../../components/Button";
import { Sheet } from "../../components/Sheet";
import { ExposureSheet } from "../../shared/exposure";
import { BracketSheet } from "./BracketSheet";
import { ClashSheet } from "./ClashSheet";
import { ExposeSheet } from "./ExposeSheet";
import {
  AdviceList,
  DevelopmentText,
  ErrorOfSetting,
  Exposed,
  ExposureLedger,
  Result,
} from "./Panels";
import { PinSheet } from "./PinSheet";
import type { Edit, ExposureView, Scene, SceneView, Solution } from "./queries";
import { TitleSheet } from "./TitleSheet";
import type { Change, Clash } from "./useKeeping";
import { WaysSheet } from "./WaysSheet";
import type { Kit } from "./words/props";

export type Open = "expose" | "bracket" | "ledger" | "title" | "ways" | "focus" | null;

const FocusSheet = lazy(() => import("./focus"));

/** Everything that rises over the scene, one at a time. */
export function SceneDialogs({
  scene,
  solution,
  kit,
  view,
  open,
  setOpen,
  pin,
  setPin,
  corrected,
  setCorrected,
  clash,
  settle,
  stamp,
  edit,
  take,
  choose,
  logged,
}: {
  scene: Scene;
  solution: Solution | undefined;
  kit: Kit;
  view: SceneView;
  open: Open;
  setOpen: (open: Open) => void;
  pin: string | null;
  setPin: (pin: string | null) => void;
  corrected: ExposureView | null;
  setCorrected: (view: ExposureView | null) => void;
  clash: Clash | null;
  settle: (mine: boolean) => Promise<void>;
  stamp: number;
  edit: (change: Change) => Promise<void>;
  take: (edits: Edit[]) => void;
  choose: (aperture: string) => void;
  logged: (said: string) => void;
}) {
  const close = () => setOpen(null);
  const filmName = kit.films.find((each) => each.id === scene.film_id)?.name ?? "film";
  const answer = solution?.answer;
  const placed =
    scene.readings.find((each) => each.id === solution?.placed_reading)?.label || "what you placed";
  return (
    <>
      {open === "expose" && solution && answer && (
        <ExposeSheet
          scene={scene}
          answer={answer}
          plan={solution.plan}
          filmName={filmName}
          placed={placed}
          light={solution.light_text}
          close={close}
          logged={logged}
        />
      )}
      {open === "bracket" && solution && answer && (
        <BracketSheet
          scene={scene}
          picture={view.picture}
          plan={solution.plan}
          filmName={filmName}
          close={close}
          logged={logged}
        />
      )}
      {open === "focus" && solution && (
        <Suspense>
          <FocusSheet
            scene={scene}
            said={solution.sharp}
            edit={(edits) => edit({ edits })}
            close={close}
          />
        </Suspense>
      )}
      {open === "ways" && answer && (
        <WaysSheet
          scene={scene}
          picture={view.picture}
          answer={answer}
          stamp={stamp}
          take={(next) => {
            close();
            take(next);
          }}
          choose={(aperture) => {
            close();
            choose(aperture);
          }}
          close={close}
        />
      )}
      {open === "title" && (
        <TitleSheet scene={scene} exposed={view.exposures.length > 0} edit={edit} close={close} />
      )}
      <Sheet
        open={open === "ledger"}
        close={close}
        title="How it adds up"
        footer={<Button onClick={close}>Close</Button>}
      >
        {solution && answer && (
          <Flex direction="column" gap="3">
            <ExposureLedger answer={answer} fixes={solution?.fixes ?? []} take={take} />
            <Result answer={answer} />
            <ErrorOfSetting answer={answer} />
            <DevelopmentText solution={solution} />
            <AdviceList solution={solution} most={9} take={take} />
            <Exposed views={view.exposures} cost={view.cost_text} open={setCorrected} />
          </Flex>
        )}
      </Sheet>
      {pin && scene.readings.some((each) => each.id === pin) && (
        <PinSheet
          scene={scene}
          id={pin}
          line={view.lines[pin] ?? ""}
          said={view.said[pin] ?? ""}
          high={solution?.high_marked ? solution.high_reading : null}
          noN={solution?.no_n ?? ""}
          edit={edit}
          close={() => setPin(null)}
        />
      )}
      {corrected && (
        <ExposureSheet
          view={corrected}
          recipes={kit.recipes.filter((each) => each.film_id === scene.film_id)}
          close={() => setCorrected(null)}
        />
      )}
      {clash && <ClashSheet clash={clash} settle={settle} />}
    </>
  );
}
