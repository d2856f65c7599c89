import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link } from "wouter";
import { kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { count } from "../../components/count";
import { Empty } from "../../components/Empty";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { AddSet, BATH_SETS, TANK_SETS } from "../../shared/AddSet";
import { Bottles, useBottles } from "../../shared/Bottles";
import { offered } from "../../shared/offered";
import { RoomHeader } from "../../shared/RoomHeader";
import { darkroomQuery } from "../../shared/runs";
import { useDegrees } from "../../shared/useDegrees";
import { Calendar } from "./Calendar";
import { type Chosen, KindSection } from "./KindSection";
import { type Plan, planQuery } from "./queries";
import { Timeline } from "./Timeline";

/** The evening planned: what shares a run, what is mixed, and when the hands do what. */
export function EveningPage() {
  const kit = useQuery(kitQuery).data;
  const waiting = useQuery(darkroomQuery("20", "C")).data?.groups;
  const { unit, usual, said } = useDegrees();
  const [typed, setTyped] = useState<string | null>(null);
  const degrees = typed ?? usual;
  const [line, setLine] = useState<string | null>(null);
  const [washers, setWashers] = useState("1");
  const [dryers, setDryers] = useState("");
  const [chosen, setChosen] = useState<Record<string, Chosen>>({});
  const tanks = offered(kit?.tanks);
  const bottles = useBottles();
  const lines = offered(kit?.lines);
  const groups = (waiting ?? []).filter((each) => each.recipe_id && each.time);
  const kinds = [...new Set(groups.map((each) => `${each.film_id} ${each.recipe_id}`))];
  const change = (kind: string, more: Chosen) =>
    setChosen((before) => ({ ...before, [kind]: { ...before[kind], ...more } }));
  const ready = tanks.length > 0 && lines.length > 0 && kinds.length > 0 && degrees !== "";
  const planning = {
    kinds: kinds.map((kind) => {
      const [film_id = "", recipe_id = ""] = kind.split(" ");
      const own = chosen[kind] ?? {};
      return {
        film_id,
        recipe_id,
        tank_id: own.tank_id ?? kit?.usual.tanks ?? "",
        max_runs: own.max_runs?.trim() ? typedNumber(own.max_runs) : null,
        parts: own.parts ?? [],
      };
    }),
    line_id: line ?? kit?.usual.lines ?? "",
    temperature_c: said(degrees),
    bottle_ids: bottles.chosen.map((each) => each.id),
    washers: typedNumber(washers),
    dryers: dryers.trim() ? typedNumber(dryers) : null,
  };
  const plan = useQuery({ ...planQuery(planning), enabled: ready });
  // a refused change leaves the last good plan in sight, and the field it was typed in
  const [good, setGood] = useState<Plan>();
  useEffect(() => {
    if (plan.data) setGood(plan.data);
  }, [plan.data]);
  const shown = plan.data ?? (ready ? good : undefined);
  return (
    <>
      <RoomHeader
        title="Plan the evening"
        sub={shown && `${count(shown.runs.length, "run")}, dry in ${shown.finish_text}`}
      >
        <Link to="/darkroom">Darkroom</Link>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        {kit && waiting && !ready && (
          <Empty title={kinds.length ? "What do you develop in?" : "Nothing to plan."}>
            {kinds.length ? (
              <>
                Runs are planned by what the tank holds.
                {tanks.length === 0 && <AddSet empty="No tank or tray yet." sets={TANK_SETS} />}
                {lines.length === 0 && <AddSet empty="No bath sequence yet." sets={BATH_SETS} />}
              </>
            ) : (
              "Exposed film with a recipe is planned here."
            )}
          </Empty>
        )}
        {ready && (
          <Flex as="fieldset" gap="4" wrap="wrap" align="flex-start" maxWidth="960px">
            <Box as="legend" srOnly>
              The darkroom
            </Box>
            <Box flex="1 1 120px">
              <Entry
                label={`Temperature, ${unit}`}
                inputMode="decimal"
                value={degrees}
                onText={setTyped}
              />
            </Box>
            <Box flex="2 1 200px">
              <Choose
                label="Bath sequence"
                value={planning.line_id}
                options={named(lines)}
                onChange={setLine}
              />
            </Box>
            <Box flex="1 1 110px">
              <Entry label="Washers" inputMode="numeric" value={washers} onText={setWashers} />
            </Box>
            <Box flex="1 1 140px">
              <Entry
                label="Runs that can dry at once"
                inputMode="numeric"
                placeholder="all"
                value={dryers}
                onText={setDryers}
              />
            </Box>
          </Flex>
        )}
        {ready && (
          <Box paddingTop="3">
            <Bottles bottles={bottles} />
          </Box>
        )}
        <Flex direction="column" gap="2" paddingTop="3" maxWidth="960px">
          {plan.error && (
            <Notice tone="refusal" live>
              {plan.error.message}
            </Notice>
          )}
          {shown?.advice.map((each) => (
            <Notice key={each.text} tone={each.severity}>
              {each.text}
            </Notice>
          ))}
        </Flex>
        {shown && (
          <Box opacity={plan.error ? 0.45 : 1}>
            <Timeline plan={shown} />
            <Flex gap="5" wrap="wrap" paddingTop="3" align="center">
              <Box as="ul" display="flex" flexWrap="wrap" columnGap="5" fontSize="15px">
                {shown.totals.map((each) => (
                  <li key={each.what}>
                    {each.what} <b>{each.text}</b>
                  </li>
                ))}
              </Box>
              <Calendar planning={planning} />
            </Flex>
            {kinds.map((kind) => {
              const [film_id, recipe_id] = kind.split(" ");
              const runs = shown.runs.filter(
                (run) => run.film_id === film_id && run.recipe_id === recipe_id,
              );
              const film = kit?.films.find((each) => each.id === film_id);
              const recipe = kit?.recipes.find((each) => each.id === recipe_id);
              const own = planning.kinds.find(
                (each) => each.film_id === film_id && each.recipe_id === recipe_id,
              );
              return (
                <KindSection
                  key={kind}
                  name={film?.name ?? ""}
                  recipe={recipe?.name ?? ""}
                  runs={runs}
                  proven={shown.proven[kind] ?? false}
                  tanks={tanks}
                  chosen={{ ...chosen[kind], tank_id: own?.tank_id ?? "" }}
                  degrees_c={shown.temperature_c}
                  line_id={planning.line_id}
                  bottles={bottles.chosen}
                  change={(more) => change(kind, more)}
                />
              );
            })}
            <Small paddingTop="6" maxWidth="720px">
              Gloves and eye protection, fresh air; acid into water, never water into acid. Read the
              maker's safety sheet and follow local rules for waste; this program advises.
            </Small>
          </Box>
        )}
      </Box>
    </>
  );
}
