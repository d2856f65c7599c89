import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { dayText } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { RoomHeader } from "../../shared/RoomHeader";
import { useWrite } from "../../shared/useWrite";
import { CurveForm } from "./CurveForm";
import { CurvePlot } from "./CurvePlot";
import { PlanSheet } from "./PlanSheet";
import {
  benchQuery,
  deleteTest,
  putTest,
  type TestView,
  useTimes as takeTimes,
  testQuery,
} from "./queries";

/** A film test: its curves, and what the film does in this developer. */
export function TestPage() {
  const { id = "" } = useParams();
  const view = useQuery(testQuery(id));
  if (view.error) {
    return (
      <>
        <RoomHeader title="Bench" />
        <Box as="main" padding="6">
          <Notice tone="refusal">{view.error.message}</Notice>
          <Box paddingTop="4">
            <Link to="/bench">Back to the bench</Link>
          </Box>
        </Box>
      </>
    );
  }
  if (!view.data) return <RoomHeader title="Bench" />;
  return <Shown key={view.data.test.id} view={view.data} />;
}

function Shown({ view }: { view: TestView }) {
  const { test, worked } = view;
  const navigate = useNavigate();
  const [curve, setCurve] = useState<number | null>(null);
  const [planning, setPlanning] = useState(false);
  const [verdict, setVerdict] = useState(test.verdict ?? "");
  const tests = useQuery(benchQuery).data?.tests ?? [];
  const { write, problem, busy } = useWrite();
  const change = (changed: Partial<TestView["test"]>) =>
    void write(putTest({ ...test, ...changed }, view.version));
  const curves = test.curves ?? [];
  const exposure = curves[0]?.exposure;
  const metered = exposure?.kind === "metered" ? exposure.ei : null;
  const usable = worked.ladder.some((each) => !each.extrapolated) && test.recipe_id;
  return (
    <>
      <RoomHeader
        title={test.title}
        sub={[view.film_name, view.recipe_name, test.day && dayText(test.day)]
          .filter(Boolean)
          .join(" · ")}
      >
        <Box display={{ base: "none", md: "block" }}>
          <Link to="/bench">Back to the bench</Link>
        </Box>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto">
        <Grid
          templateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) 360px" }}
          templateAreas={{
            base: '"plot" "says" "developments"',
            md: '"plot says" "developments says"',
          }}
          templateRows={{ md: "auto 1fr" }}
        >
          <Box gridArea="plot" padding={{ base: "4", md: "6" }}>
            <CurvePlot worked={worked} />
            {worked.problem && (
              <Notice tone={worked.field ? "warning" : "note"}>{worked.problem}</Notice>
            )}
            {worked.answer?.advice
              .filter((each) => each.code !== "no-ladder")
              .map((each) => (
                <Notice key={each.text} tone="warning">
                  {each.text}
                </Notice>
              ))}
          </Box>
          <Box gridArea="developments" padding={{ base: "4", md: "6" }} paddingTop={{ md: "0" }}>
            <Box as="section" aria-label="Developments">
              <Flex justify="space-between" align="center">
                <Box as="h2" fontSize="17px" fontWeight={600}>
                  Developments
                </Box>
                <Flex gap="2">
                  <Button variant="quiet" onClick={() => setPlanning(true)}>
                    Exposure list
                  </Button>
                  <Button onClick={() => setCurve(curves.length)}>Add a development</Button>
                </Flex>
              </Flex>
              <Box as="ul">
                {worked.lines.map((each, place) => (
                  <Flex
                    as="li"
                    key={each.id}
                    justify="space-between"
                    align="center"
                    gap="4"
                    minHeight="52px"
                    borderBottom="1px solid"
                    borderColor="line"
                  >
                    <Box>
                      <b>{each.minutes_text}</b>
                      <Box as="span" color={each.points.length ? "ink2" : "ochre"}>
                        {each.points.length
                          ? ` ${each.points.length} steps, clear film ${each.base_fog.toFixed(2)}`
                          : " waits for densities"}
                      </Box>
                      {each.problem && <Box color="brick">{each.problem}</Box>}
                    </Box>
                    <Button
                      variant="quiet"
                      aria-label={`Change ${each.id}`}
                      onClick={() => setCurve(place)}
                    >
                      Change
                    </Button>
                  </Flex>
                ))}
              </Box>
            </Box>
          </Box>
          <Flex
            as="section"
            aria-label="What this film does"
            gridArea="says"
            direction="column"
            gap="4"
            padding={{ base: "4", md: "6" }}
            borderLeft={{ md: "1px solid" }}
            borderColor={{ md: "line" }}
          >
            {worked.rate_at && (
              <Box>
                <Box color="ink2" fontSize="13px">
                  What this film does, in this developer
                </Box>
                <Box fontSize="30px" lineHeight={1.2}>
                  rate it at <b>{worked.rate_at}</b>
                </Box>
                <Box color="ink2">{worked.rate_why}</Box>
              </Box>
            )}
            {worked.ladder.length > 0 && (
              <Box as="table" width="100%" css={{ "& td, & th": { padding: "8px 0" } }}>
                <thead>
                  <tr>
                    <Head>N</Head>
                    <Head>minutes</Head>
                    <Head>EI</Head>
                    <th>
                      <Box as="span" srOnly>
                        how sure
                      </Box>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {worked.ladder.map((each) => (
                    <Box
                      as="tr"
                      key={each.n}
                      borderTop="1px solid"
                      borderColor="line"
                      fontWeight={each.n === 0 ? 650 : 400}
                    >
                      <td>{each.n_text}</td>
                      <td>{each.minutes_text}</td>
                      <td>{each.ei_text}</td>
                      <Box as="td" color="ink2" fontSize="13px" fontWeight={400}>
                        {each.extrapolated && "one step beyond"}
                      </Box>
                    </Box>
                  ))}
                </tbody>
              </Box>
            )}
            {worked.answer && worked.ladder.length === 0 && (
              <Notice tone="note">
                {worked.answer.advice.find((each) => each.code === "no-ladder")?.text ?? ""}
              </Notice>
            )}
            {worked.today && <Notice tone="note">{worked.today}</Notice>}
            <Choose
              label="Beside"
              value={test.beside ?? ""}
              options={[
                { value: "", label: "no other film" },
                ...tests
                  .filter((each) => each.id !== test.id)
                  .map((each) => ({ value: each.id, label: each.title })),
              ]}
              onChange={(beside) => change({ beside: beside || null })}
            />
            {worked.compared && (
              <Box as="dl" aria-label={`Beside ${worked.compared.title}`}>
                {worked.compared.rows.map(([what, much]) => (
                  <Flex
                    key={what}
                    justify="space-between"
                    gap="4"
                    paddingBlock="2"
                    borderBottom="1px solid"
                    borderColor="line"
                  >
                    <dt>{what}</dt>
                    <dd>{much}</dd>
                  </Flex>
                ))}
              </Box>
            )}
            <Entry
              label="Verdict, in your words"
              multiline
              rows={3}
              value={verdict}
              onChange={(event) => setVerdict(event.target.value)}
              onBlur={() => verdict !== test.verdict && change({ verdict })}
            />
            <Problem of={problem} />
            <Flex gap="3" wrap="wrap">
              <Button
                variant="main"
                disabled={busy || !usable}
                onClick={() => void write(takeTimes(test.id))}
              >
                Use as tested times
              </Button>
              <Button
                variant="quiet"
                disabled={busy}
                onClick={() =>
                  void write(deleteTest(test.id), { at_once: () => navigate("/bench") })
                }
              >
                Delete test
              </Button>
            </Flex>
            {curves.some((each) => each.steps.length > 0) && (
              <Box fontSize="15px">
                <a href={`/api/bench/tests/${test.id}.pdf`}>One page as PDF</a>; the curves as{" "}
                <a href={`/api/bench/tests/${test.id}.csv`}>CSV</a> and{" "}
                <a href={`/api/bench/tests/${test.id}.txt`}>CGATS text</a>
              </Box>
            )}
            {!test.recipe_id && worked.ladder.length > 0 && (
              <Box color="ink2">Tested times need a recipe: this test has none.</Box>
            )}
          </Flex>
        </Grid>
        {planning && <PlanSheet ei={metered ?? 100} close={() => setPlanning(false)} />}
        {curve !== null && <CurveForm view={view} place={curve} close={() => setCurve(null)} />}
      </Box>
    </>
  );
}

function Head({ children }: { children: string }) {
  return (
    <Box as="th" textAlign="left" color="ink2" fontSize="13px" fontWeight={400}>
      {children}
    </Box>
  );
}
