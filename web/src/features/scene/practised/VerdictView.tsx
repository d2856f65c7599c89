import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { Link } from "wouter";
import { carryOut } from "../../../api/acts";
import { Button } from "../../../components/Button";
import { Quiet } from "../../../components/text";
import { RoomHeader } from "../../../shared/RoomHeader";
import { Greys } from "./Greys";
import { doAgain, type PractisedView, type Verdict } from "./queries";
import { Strands } from "./Strands";
import { useField } from "./useField";

/** What an exposure became: what was asked and what it prints, why they differ, and what to practise. */
export function VerdictView({
  practised,
  verdict,
}: {
  practised: PractisedView;
  verdict: Verdict;
}) {
  const { field, cells } = useField(practised.id, verdict.minutes);
  const client = useQueryClient();
  const print = (grey: readonly number[], name: string, says: string) => (
    <Box as="figure" margin="0">
      <Flex
        as="figcaption"
        justify="space-between"
        gap="2"
        fontSize="14px"
        color="ink2"
        paddingBottom="1"
      >
        <span>{name}</span>
        <span>{says}</span>
      </Flex>
      <Box
        border="1px solid"
        borderColor="ink"
        aspectRatio={field ? `${field.columns} / ${field.rows}` : "3 / 2"}
      >
        {field && cells && <Greys cells={cells} moved={field.moved} grey={grey} label={name} />}
      </Box>
    </Box>
  );
  return (
    <>
      <RoomHeader title={verdict.title} sub="practice" />
      <Grid
        flex="1"
        minHeight="0"
        overflow={{ base: "auto", md: "hidden" }}
        templateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) 356px" }}
      >
        <Flex
          as="main"
          direction="column"
          gap="4"
          padding={{ base: "4", md: "6" }}
          paddingTop="4"
          overflow={{ md: "auto" }}
          minWidth="0"
        >
          <Box display={{ base: "block", md: "none" }} fontSize="24px" fontWeight={700}>
            {verdict.total_text}
          </Box>
          <Box fontSize="17px">{verdict.brief}</Box>
          <Grid templateColumns={{ base: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" }} gap="4">
            {print(verdict.asked_grey, "what was asked", verdict.asked_text)}
            {print(verdict.became_grey, "what your plan prints", verdict.became_text)}
          </Grid>
          <Strands places={verdict.places} />
          <Quiet>{verdict.summary}</Quiet>
          <Box as="details" fontSize="14px">
            <summary>Place by place</summary>
            <Box as="ul" paddingTop="1">
              {verdict.places.map((each) => (
                <Box as="li" key={each.name}>
                  {each.name}: {each.asked_text} asked, {each.became_text} became
                  {each.says && ` (${each.says})`}
                </Box>
              ))}
            </Box>
          </Box>
        </Flex>
        <Flex
          as="aside"
          aria-label="Verdict"
          direction="column"
          background="sheet"
          borderLeft={{ md: "1px solid" }}
          borderColor={{ md: "line" }}
          minHeight="0"
        >
          <Flex
            direction="column"
            gap="3"
            flex="1"
            minHeight="0"
            overflow={{ md: "auto" }}
            padding="5"
          >
            <Box as="h2" fontSize="13px" fontWeight={600} color="ink2">
              What your exposure became
            </Box>
            <Box>
              <Box fontSize="34px" fontWeight={700} lineHeight={1.1} data-verdict>
                {verdict.total_text}
              </Box>
              <Box fontSize="14px">{verdict.development_text}</Box>
            </Box>
            <Box as="ul" aria-label="Causes">
              {verdict.causes.map((each) => (
                <Box
                  as="li"
                  key={each.label}
                  borderBottom="1px solid"
                  borderColor="line"
                  paddingBlock="2"
                >
                  <Flex justify="space-between" gap="3">
                    <span>{each.label}</span>
                    <Box as="span" fontWeight={600}>
                      {each.stops_text}
                    </Box>
                  </Flex>
                  <Box fontSize="13px" color="ink2" lineHeight={1.25}>
                    {each.says}
                  </Box>
                </Box>
              ))}
            </Box>
            {verdict.explanation && (
              <Box background="ochreSoft" borderLeft="3px solid" borderColor="ochre" padding="3">
                <Box fontWeight={650}>{verdict.shortly}</Box>
                {verdict.explanation}
              </Box>
            )}
          </Flex>
          <Flex gap="3" padding="3" paddingInline="5" borderTop="1px solid" borderColor="line">
            <Button
              minHeight="48px"
              onClick={() => void carryOut(client, doAgain(practised.id)).catch(() => undefined)}
            >
              Again
            </Button>
            <Button asChild variant="main" minHeight="48px" flex="1" textDecoration="none">
              <Link to={shortOnes(verdict)}>
                {verdict.misconception ? "Five short ones on it" : "Five short ones"}
              </Link>
            </Button>
          </Flex>
        </Flex>
      </Grid>
    </>
  );
}

const shortOnes = ({ topic, misconception }: Verdict) =>
  topic
    ? `/practice/questions?topic=${topic}&misconception=${misconception ?? ""}`
    : "/practice/questions";
