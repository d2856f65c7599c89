import { Box, Flex, Grid } from "@chakra-ui/react";
import { Foot, type LayoutProps, ResultLine } from "./Layouts";
import {
  AdviceList,
  DevelopmentText,
  ErrorOfSetting,
  Exposed,
  Result,
  SharpnessText,
  ShowedBefore,
} from "./Panels";
import type { ExposureView, Scene } from "./queries";
import { Strip } from "./Strip";
import { Sums } from "./Sums";
import { Waiting } from "./Teaching";

interface SummedProps extends LayoutProps {
  scene: Scene;
  stamp: number;
  choose: (aperture: string) => void;
  correct: (view: ExposureView) => void;
}

/** What the wider layouts show beside: the strip below the bridge. */
function Beside({ view, calm, take, scene, stamp, choose }: SummedProps) {
  if (!calm?.answer) return null;
  return (
    <Strip
      scene={scene}
      picture={view.picture}
      answer={calm.answer}
      stamp={stamp}
      take={take}
      choose={choose}
    />
  );
}

/** On a tablet held upright: as wide, with the sums under the bridge. */
export function TabletScene(all: SummedProps) {
  const { parts, view, solution, calm, take, correct } = all;
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
        <Beside {...all} />
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
export function WideScene(all: SummedProps) {
  const { parts, view, solution, calm, take, correct } = all;
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
        <Beside {...all} />
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
