import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Quiet } from "../../components/text";
import type { PlannedRun } from "./queries";
import { RunCard } from "./RunCard";

/** What is chosen for film of one kind and recipe; empty: as the plan does it best. */
export interface Chosen {
  tank_id?: string;
  max_runs?: string;
  parts?: string[][];
}

/** The runs of one film and recipe: in which tank, how many, and what shares each. */
export function KindSection({
  name,
  recipe,
  runs,
  proven,
  tanks,
  chosen,
  degrees_c,
  line_id,
  bottles,
  change,
}: {
  name: string;
  recipe: string;
  runs: PlannedRun[];
  proven: boolean;
  tanks: Schemas["Tank"][];
  chosen: Chosen;
  degrees_c: number;
  line_id: string;
  bottles: Schemas["Bottle"][];
  change: (more: Chosen) => void;
}) {
  const [dragged, setDragged] = useState<string | null>(null);
  const parts = runs.map((each) => each.pieces.map((one) => one.id));
  const byHand = (chosen.parts?.length ?? 0) > 0;
  return (
    <Box as="section" aria-label={`${name}, ${recipe}`} paddingTop="6">
      <Flex
        gap="4"
        wrap="wrap"
        align="flex-end"
        borderTop="2px solid"
        borderColor="ink"
        paddingTop="2"
      >
        <Box flex="1 1 260px">
          <Box as="h2" fontSize="19px">
            {name}
          </Box>
          <Quiet>
            {recipe}; {proven ? "best grouping" : "good, not proven to be the best"}
          </Quiet>
        </Box>
        <Box flex="0 1 220px">
          <Choose
            label="Tank or tray"
            name={`Tank or tray for ${name}, ${recipe}`}
            value={chosen.tank_id ?? ""}
            options={tanks.map((each) => ({
              value: each.id,
              label: `${each.name}, ${each.holds} sheets`,
            }))}
            onChange={(tank_id) => change({ tank_id, parts: [] })}
          />
        </Box>
        <Box flex="0 1 150px">
          <Entry
            label="Runs"
            aria-label={`Runs for ${name}, ${recipe}`}
            inputMode="numeric"
            placeholder={`${runs.length}, automatic`}
            value={chosen.max_runs ?? ""}
            onText={(text) => change({ max_runs: text, parts: [] })}
          />
        </Box>
      </Flex>
      <Flex gap="6" wrap="wrap" paddingTop="2">
        {runs.map((run, place) => (
          <RunCard
            // a run is its film: put together, the next one in its place is another
            key={run.pieces.map((each) => each.id).join(" ")}
            run={run}
            number={place + 1}
            others={runs.length}
            degrees_c={degrees_c}
            line_id={line_id}
            bottles={bottles}
            dragged={dragged}
            drag={setDragged}
            move={(piece, to) => change({ parts: moved(parts, piece, to) })}
          />
        ))}
      </Flex>
      {byHand && (
        <Box fontSize="14px">
          Shared by hand.{" "}
          <Box
            as="button"
            color="accent"
            textDecoration="underline"
            minHeight="44px"
            onClick={() => change({ parts: [] })}
          >
            Regroup automatically
          </Box>
        </Box>
      )}
    </Box>
  );
}

/** A piece in another run; one past the last run is a new one. */
function moved(parts: string[][], piece: string, to: number): string[][] {
  const without = parts.map((part) => part.filter((id) => id !== piece));
  const next = [...without, []].map((part, at) => (at === to ? [...part, piece] : part));
  return next.filter((part) => part.length > 0);
}
