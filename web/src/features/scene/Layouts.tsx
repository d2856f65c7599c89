import { Box, Flex, Grid } from "@chakra-ui/react";
import type { ReactNode } from "react";
import {
  AdviceList,
  DevelopmentText,
  ErrorOfSetting,
  Exposed,
  ExposureLedger,
  Result,
  SharpnessText,
  ShowedBefore,
} from "./Panels";
import type { Edit, ExposureView, Scene, SceneView, Solution } from "./queries";
import { Strip } from "./Strip";
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

/** On a phone: the result first, one thing under the other. */
export function UprightScene({ parts, view, solution, calm, take }: LayoutProps) {
  return (
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
        flexShrink="0" // a phone that lies is scrolled, not pressed together
      >
        {solution?.answer ? (
          <Result answer={solution.answer} small />
        ) : (
          <Waiting solution={solution} />
        )}
        {solution?.answer && (
          <Box textAlign="right" fontSize="15px">
            <Box fontWeight={650} fontSize="19px">
              {solution.answer.development.n_text}
            </Box>
            {solution.development?.minutes_text}
          </Box>
        )}
      </Flex>
      {parts.messages}
      <ShowedBefore showed={view.showed} />
      {parts.sentence}
      {parts.bridge}
      {solution && <AdviceList solution={calm ?? solution} most={1} take={take} />}
      {parts.entry}
      {parts.expose}
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
}: LayoutProps & {
  scene: Scene;
  stamp: number;
  choose: (aperture: string) => void;
  correct: (view: ExposureView) => void;
}) {
  return (
    <Grid flex="1" minHeight="0" templateColumns="minmax(0,1fr) 356px">
      <Flex
        as="main"
        direction="column"
        minWidth="0"
        minHeight="0"
        paddingInline="6"
        paddingTop="4"
      >
        {parts.entry}
        <Box paddingTop="2">{parts.sentence}</Box>
        {parts.bridge}
        {calm?.answer && (
          <Strip scene={scene} answer={calm.answer} stamp={stamp} take={take} choose={choose} />
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
            <ExposureLedger answer={solution.answer} fixes={solution.fixes} take={take} />
            <Box borderTop="2px solid" borderColor="ink" marginTop="-13px" paddingTop="3">
              <Result answer={solution.answer} />
              <ErrorOfSetting answer={solution.answer} />
            </Box>
            <DevelopmentText solution={solution} />
            <SharpnessText solution={calm ?? solution} />
            <AdviceList solution={calm ?? solution} most={3} take={take} />
          </>
        ) : (
          <Waiting solution={solution} />
        )}
        {parts.messages}
        <ShowedBefore showed={view.showed} />
        <Exposed views={view.exposures} cost={view.cost_text} open={correct} />
        <Box flex="1" />
        {parts.expose}
      </Flex>
    </Grid>
  );
}
