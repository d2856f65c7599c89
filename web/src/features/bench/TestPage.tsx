import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { memo, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link, useParams } from "wouter";
import { Button } from "../../components/Button";
import { dayText } from "../../components/days";
import { Notice } from "../../components/Notice";
import { Conflict } from "../../shared/Conflict";
import { Opened } from "../../shared/Opened";
import { RoomHeader } from "../../shared/RoomHeader";
import { useLatest } from "../../shared/useLatest";
import { useWrite } from "../../shared/useWrite";
import { ColourPlot } from "./ColourPlot";
import { CurvePlot } from "./CurvePlot";
import { DetailsSheet } from "./DetailsSheet";
import { Developments } from "./Developments";
import { draw, putTest, type TestView, testQuery } from "./queries";
import { SaysPanel } from "./SaysPanel";
import { Beside, SideBySide } from "./SideBySide";

/** A film test: its curves, and what the film does in this developer. */
export function TestPage() {
  const { id = "" } = useParams();
  const view = useQuery(testQuery(id));
  return (
    <Opened query={view} title="Bench" back={["/bench", "Back to the bench"]}>
      {(found) => <Shown key={found.test.id} view={found} />}
    </Opened>
  );
}

function Shown({ view }: { view: TestView }) {
  const { test } = view;
  const [matching, setMatching] = useState<number | null>(null);
  const [details, setDetails] = useState(false);
  const { write, problem, setProblem, busy, take } = useWrite();
  const [wanted, setWanted] = useState(test);
  const putting = (changed: Partial<TestView["test"]>) => {
    setWanted({ ...test, ...changed });
    return write(putTest({ ...test, ...changed }, view.version));
  };
  // one and the same function, so that what stands beside the plot rests while the handle is dragged
  const latest = useRef(putting);
  useEffect(() => {
    latest.current = putting;
  });
  const change = useCallback((changed: Partial<TestView["test"]>) => latest.current(changed), []);
  const kept = test.match_net ?? 0.1;
  const net = matching ?? kept;
  const asked = useMemo(
    () => (net === kept ? null : { ...test, match_net: net }),
    [test, net, kept],
  );
  const drawn = useLatest(asked, draw);
  const worked = (net !== kept && drawn) || view.worked;
  const match = (to: number, done: boolean) => {
    setMatching(to);
    if (done) void change({ match_net: to }).then(() => setMatching(null));
  };
  return (
    <>
      <RoomHeader
        title={test.title}
        sub={[view.film_name, view.recipe_name, test.day && dayText(test.day)]
          .filter(Boolean)
          .join(" · ")}
      >
        <Button variant="quiet" onClick={() => setDetails(true)}>
          Details
        </Button>
        <Flex display={{ base: "none", md: "flex" }} gap="5" whiteSpace="nowrap">
          <Link to={`/bench/film/${test.film_id}`}>Its pictures</Link>
          <Link to="/bench">All tests</Link>
        </Flex>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto">
        <Grid
          templateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) 360px" }}
          templateAreas={{
            base: '"plot" "says" "rest"',
            md: '"plot says" "rest says"',
          }}
          templateRows={{ md: "auto 1fr" }}
        >
          <Box gridArea="plot" padding={{ base: "4", md: "6" }}>
            <CurvePlot worked={worked} matchNet={net} onMatch={match} />
            {worked.problem && (
              <Notice tone={worked.field ? "warning" : "note"}>{worked.problem}</Notice>
            )}
            <Conflict
              problem={problem}
              mine={wanted}
              keep={(base) => void write(putTest(wanted, base))}
              take={() => {
                setProblem(null);
                void take();
              }}
            />
            {worked.not_compared && <Notice tone="note">{worked.not_compared}</Notice>}
            {worked.answer?.advice
              .filter((each) => each.code !== "no-ladder")
              .map((each) => (
                <Notice key={each.text} tone="warning">
                  {each.text}
                </Notice>
              ))}
            <Colours films={worked.compared?.films} />
          </Box>
          <Box
            gridArea="rest"
            display="flex"
            flexDirection="column"
            gap="8"
            padding={{ base: "4", md: "6" }}
            paddingTop={{ md: "0" }}
          >
            <DevelopmentsAtRest view={view} worked={view.worked} />
            <SideBySideAtRest view={view} change={change} />
            {worked.compared && <Beside compared={worked.compared} />}
          </Box>
          <SaysAtRest
            view={view}
            worked={view.worked}
            change={change}
            problem={problem}
            busy={busy}
          />
        </Grid>
        {details && <DetailsSheet view={view} close={() => setDetails(false)} />}
      </Box>
    </>
  );
}

const DevelopmentsAtRest = memo(Developments);
const SideBySideAtRest = memo(SideBySide);
const SaysAtRest = memo(SaysPanel);

const Colours = memo(function Colours({
  films,
}: {
  films: NonNullable<TestView["worked"]["compared"]>["films"] | undefined;
}) {
  return films?.map((each) => each.colours.length > 0 && <ColourPlot key={each.id} film={each} />);
});
