import { Box, Flex, Grid } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { AdviceList, Result, ShowedBefore } from "./Panels";
import type { Edit, SceneView, Solution } from "./queries";
import { Waiting } from "./Teaching";

/** What both layouts of a scene are made of. */
interface Parts {
  entry: ReactNode;
  sentence: ReactNode;
  bridge: ReactNode;
  expose: ReactNode;
  messages: ReactNode;
}

export interface LayoutProps {
  parts: Parts;
  view: SceneView;
  solution: Solution | undefined;
  /** the same, a moment later while a pin is dragged */
  calm: Solution | undefined;
  take: (edits: Edit[]) => void;
}

/** The result with its development beside it, one line high. */
export function ResultLine({ solution }: { solution: Solution | undefined }) {
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
export function Foot({ children }: { children: ReactNode }) {
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
