import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { dayText } from "../../components/days";
import { Empty } from "../../components/Empty";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import { RoomHeader } from "../../shared/RoomHeader";
import { Checks } from "./Checks";
import { CurveStub } from "./Glimpse";
import { LearnedPart } from "./LearnedPart";
import { NewTest } from "./NewTest";
import { benchQuery, type Learned } from "./queries";

/** Film tests, and what the judged negatives of each recipe say. */
export function BenchRoom() {
  const bench = useQuery(benchQuery);
  const [adding, setAdding] = useState(false);
  const { tests = [], learned = [] } = bench.data ?? {};
  return (
    <>
      <RoomHeader title="Bench">
        <Button onClick={() => setAdding(true)}>Add a film test</Button>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        {bench.error && (
          <Notice tone="warning" live>
            {bench.error.message}
          </Notice>
        )}
        {bench.data && tests.length === 0 && (
          <Empty title="No film test yet.">
            Photograph a grey card in stops, develop strips for different minutes, measure their
            densities: the test says how to rate the film and how long to develop it.
          </Empty>
        )}
        <Grid
          templateColumns={{ base: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" }}
          columnGap="10"
          rowGap="8"
        >
          {tests.length > 0 && (
            <Box as="section" aria-label="Film tests">
              <Heading>Film tests</Heading>
              <Box as="ul">
                {tests.map((each) => (
                  <Flex
                    as="li"
                    key={each.id}
                    justify="space-between"
                    align="center"
                    gap="4"
                    minHeight="64px"
                    paddingBlock="1.5"
                    borderBottom="1px solid"
                    borderColor="line"
                  >
                    <CurveStub stub={each.stub} />
                    <Box flex="1">
                      <Link to={`/bench/${each.id}`}>{each.title}</Link>
                      <Small>
                        {[
                          each.film_name,
                          each.day && dayText(each.day),
                          count(each.curves, "development"),
                        ]
                          .filter(Boolean)
                          .join(", ")}
                      </Small>
                    </Box>
                    <Box whiteSpace="nowrap" fontWeight={600}>
                      {each.rate_at || (
                        <Box as="span" color="ochre" fontWeight={400}>
                          {each.waiting > 0 && each.waiting < each.curves
                            ? `${each.waiting} to measure`
                            : "no densities yet"}
                        </Box>
                      )}
                    </Box>
                  </Flex>
                ))}
              </Box>
            </Box>
          )}
          {learned.length > 0 && (
            <Box as="section" aria-label="What your negatives say">
              <Heading>What your negatives say</Heading>
              {learned.map((each) => (
                <LearnedPart key={each.recipe_id} learned={each as Learned} />
              ))}
            </Box>
          )}
          <Checks />
        </Grid>
        {adding && <NewTest close={() => setAdding(false)} />}
      </Box>
    </>
  );
}

function Heading({ children }: { children: string }) {
  return (
    <Box as="h2" fontSize="19px" borderBottom="2px solid" borderColor="ink" paddingBlock="2">
      {children}
    </Box>
  );
}
