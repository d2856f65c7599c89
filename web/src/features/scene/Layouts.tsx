import { Box, Flex, Grid } from "@chakra-ui/react";
import type { ReactNode } from "react";
import {
  AdviceList,
  DevelopmentText,
  ErrorOfSetting,
  Exposed,
  Result,
  SharpnessText,
  ShowedBefore,
} from "./Panels";
import type { Edit, ExposureView, Scene, SceneView, Solution } from "./queries";
import { Strip } from "./Strip";
import { Sums } from "./Sums";
import { Waiting } from "./Teaching";

/** What both layouts of a scene are made of. */
interface Parts {
  entry: ReactNode;
  sentence: ReactNode;
  bridge: ReactNode;
  expose: ReactNode;
  messages: ReactNode;
}

interface LayoutProps {
  parts: Parts;
  view: SceneView;
  solution: Solution | undefined;
  /** the same, a moment later while a pin is dragged */
  calm: Solution | undefined;
  take: (edits: Edit[]) => void;
}

/** The result with its development beside it, one line high. */
function ResultLine({ solution }: { solution: Solution | undefined }) {
  if (!solution?.answer) return <Waiting solution={solution} />;
  return (
    <>
      <Result answer={solution.answer} small />
      <Box textAlign="right" fontSize="15px" whiteSpace="nowrap">
        <Box fontWeight={650} fontSize="19px">
          {[solution.answer.development.n_text, solution.answer.development.doubt_text]
            .filter(Boolean)
            .join(" ")}
        </Box>
        {solution.development?.minutes_text}
      </Box>
    </>
  );
}

/** On a phone: the result at the top, the line and what is pressed at the thumb; between them one
    thing under the other, to be pushed along. */
export function UprightScene({ parts, view, solution, calm, take }: LayoutProps) {
  return (
    <Flex as="main" direction="column" flex="1" minHeight="0" background="sheet">
      <Flex
        align="baseline"
        justify="space-between"
        borderBottom="2px solid"
        borderColor="ink"
        marginInline="4"
        paddingBottom="2"
        paddingTop="1"
        minHeight="66px"
        flexShrink="0"
      >
        <ResultLine solution={solution} />
      </Flex>
      <Flex
        direction="column"
        flex="1"
        minHeight="0"
        overflow="auto"
        gap="2"
        paddingInline="4"
        paddingBlock="2"
      >
        {parts.messages}
        <ShowedBefore showed={view.showed} />
        {parts.bridge}
        {parts.sentence}
        {solution && <AdviceList solution={calm ?? solution} most={1} take={take} />}
      </Flex>
      <Foot>
        {parts.entry}
        {parts.expose}
      </Foot>
    </Flex>
  );
}

/** What is pressed stays in sight. */
function Foot({ children }: { children: ReactNode }) {
  return (
    <Flex
      direction="column"
      gap="2"
      flexShrink="0"
      paddingInline={{ base: "4", md: "5" }}
      paddingBlock="2"
      borderTop="1px solid"
      borderColor="line"
      background="sheet"
    >
      {children}
    </Flex>
  );
}

/** A phone on its side: the rails, and beside them the result, the line and what is pressed. */
export function LyingScene({ parts, view, solution, calm, take }: LayoutProps) {
  return (
    <Grid
      flex="1"
      minHeight="0"
      templateColumns="minmax(0,1fr) minmax(250px,38%)"
      background="sheet"
    >
      <Flex
        as="main"
        direction="column"
        minHeight="0"
        overflow="auto"
        gap="1"
        paddingInline="4"
        paddingBlock="1"
      >
        {parts.bridge}
        {parts.sentence}
      </Flex>
      <Flex
        as="aside"
        aria-label="Exposure"
        direction="column"
        minHeight="0"
        borderLeft="1px solid"
        borderColor="line"
      >
        <Flex
          direction="column"
          flex="1"
          minHeight="0"
          overflow="auto"
          gap="1"
          paddingInline="4"
          paddingTop="1"
        >
          <Flex align="baseline" justify="space-between">
            <ResultLine solution={solution} />
          </Flex>
          {parts.messages}
          <ShowedBefore showed={view.showed} />
          {solution && <AdviceList solution={calm ?? solution} most={1} take={take} />}
        </Flex>
        <Foot>
          {parts.entry}
          {parts.expose}
        </Foot>
      </Flex>
    </Grid>
  );
}

interface SummedProps extends LayoutProps {
  scene: Scene;
  stamp: number;
  choose: (aperture: string) => void;
  correct: (view: ExposureView) => void;
}

/** On a tablet held upright: as wide, with the sums under the bridge. */
export function TabletScene({
  parts,
  view,
  solution,
  calm,
  take,
  scene,
  stamp,
  choose,
  correct,
}: SummedProps) {
  return (
    <Flex as="main" direction="column" flex="1" minHeight="0" background="sheet">
      <Box paddingInline="5" paddingTop="3" flexShrink="0">
        {parts.entry}
      </Box>
      <Flex
        direction="column"
        flex="1"
        minHeight="0"
        overflow="auto"
        paddingInline="5"
        paddingBlock="2"
        gap="2"
      >
        {parts.sentence}
        {parts.messages}
        <ShowedBefore showed={view.showed} />
        {parts.bridge}
        {calm?.answer && (
          <Strip
            scene={scene}
            picture={view.picture}
            answer={calm.answer}
            stamp={stamp}
            take={take}
            choose={choose}
          />
        )}
        {solution?.answer && (
          <>
            <Sums solution={calm ?? solution} take={take} />
            <ErrorOfSetting answer={solution.answer} />
            <SharpnessText solution={calm ?? solution} />
          </>
        )}
        {solution && <AdviceList solution={calm ?? solution} most={3} take={take} />}
        <Exposed views={view.exposures} cost={view.cost_text} open={correct} />
      </Flex>
      <Foot>
        <Flex align="center" justify="space-between" gap="6">
          <Flex align="baseline" gap="5" minWidth="0">
            <ResultLine solution={solution} />
          </Flex>
          <Box width="300px">{parts.expose}</Box>
        </Flex>
      </Foot>
    </Flex>
  );
}

/** With its sums beside it. */
export function WideScene({
  parts,
  view,
  solution,
  calm,
  take,
  scene,
  stamp,
  choose,
  correct,
}: SummedProps) {
  return (
    <Grid flex="1" minHeight="0" templateColumns="minmax(0,1fr) 356px">
      <Flex
        as="main"
        direction="column"
        minWidth="0"
        minHeight="0"
        overflow="auto"
        paddingInline="6"
        paddingTop="4"
      >
        {parts.entry}
        <Box paddingTop="2">{parts.sentence}</Box>
        {parts.bridge}
        {calm?.answer && (
          <Strip
            scene={scene}
            picture={view.picture}
            answer={calm.answer}
            stamp={stamp}
            take={take}
            choose={choose}
          />
        )}
      </Flex>
      <Flex
        as="aside"
        aria-label="Exposure"
        direction="column"
        minHeight="0"
        background="sheet"
        borderLeft="1px solid"
        borderColor="line"
      >
        <Flex
          direction="column"
          gap="3"
          flex="1"
          minHeight="0"
          overflow="auto"
          padding="4"
          paddingInline="5"
        >
          {solution?.answer ? (
            <Sums solution={calm ?? solution} take={take} />
          ) : (
            <Waiting solution={solution} />
          )}
          {solution?.answer && (
            <>
              <SharpnessText solution={calm ?? solution} />
              <AdviceList solution={calm ?? solution} most={1} take={take} />
            </>
          )}
          {parts.messages}
          <ShowedBefore showed={view.showed} />
          <Exposed views={view.exposures} cost={view.cost_text} open={correct} />
        </Flex>
        <Foot>
          {solution?.answer && (
            <Box>
              <Result answer={solution.answer} />
              <ErrorOfSetting answer={solution.answer} />
              <DevelopmentText solution={solution} />
            </Box>
          )}
          {parts.expose}
        </Foot>
      </Flex>
    </Grid>
  );
}
