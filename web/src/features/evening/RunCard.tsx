import { Box, chakra, Flex, Grid } from "@chakra-ui/react";
import { useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Quiet } from "../../components/text";
import { mixingAt } from "../../shared/mixingAt";
import { newRun } from "../../shared/runs";
import { useWrite } from "../../shared/useWrite";
import { beginRun, type PlannedRun } from "./queries";

const Move = chakra("select", {
  base: {
    fieldSizing: "content",
    minHeight: "44px",
    background: "transparent",
    color: "ink2",
    border: "none",
    textDecoration: "underline dashed",
    textDecorationColor: "dash",
    textUnderlineOffset: "6px",
  },
});

/** A planned run: its time, its film with what sharing costs each, and what is measured for it. */
export function RunCard({
  run,
  number,
  others,
  degrees_c,
  line_id,
  bottles,
  dragged,
  drag,
  move,
}: {
  run: PlannedRun;
  number: number;
  others: number;
  degrees_c: number;
  line_id: string;
  /** the bottles it uses up */
  bottles: Schemas["Bottle"][];
  /** the piece that is being dragged, of any run */
  dragged: string | null;
  drag: (piece: string | null) => void;
  move: (piece: string, to: number) => void;
}) {
  const { problem, write, busy } = useWrite();
  const [id] = useState(newId);
  const [over, setOver] = useState(false);
  const theirs = dragged !== null && !run.pieces.some((piece) => piece.id === dragged);
  const begin = () =>
    write(
      beginRun({
        run: newRun({
          id,
          name: `${run.name}, run ${number}`,
          recipe_id: run.recipe_id,
          n: run.n,
          minutes: run.minutes,
          temperature_c: degrees_c,
          tank_id: run.tank_id,
          line_id,
          bottle_ids: bottles.map((each) => each.id),
        }),
        piece_ids: run.pieces.flatMap((each) => each.piece_ids),
      }),
    );
  return (
    <Box
      as="article"
      aria-label={`Run ${number}: ${run.name}`}
      flex="1 1 320px"
      maxWidth="440px"
      paddingTop="2"
      outline={over ? "2px dashed" : undefined}
      outlineColor="accent"
      outlineOffset="6px"
      onDragOver={(event) => {
        if (!theirs) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        if (dragged && theirs) move(dragged, number - 1);
        drag(null);
      }}
    >
      <Flex align="baseline" gap="3">
        <Box fontSize="30px" fontWeight={620} lineHeight={1.1}>
          {run.minutes_text}
        </Box>
        <Quiet>
          run {number}, {run.name}
        </Quiet>
      </Flex>
      <ul>
        {run.pieces.map((piece) => (
          <Grid
            as="li"
            key={piece.id}
            templateColumns="minmax(0,1fr) auto"
            gap="3"
            alignItems="center"
            borderBottom="1px solid"
            borderColor="line"
            minHeight="52px"
            draggable
            cursor="grab"
            opacity={dragged === piece.id ? 0.45 : 1}
            onDragStart={(event) => {
              event.dataTransfer.effectAllowed = "move";
              event.dataTransfer.setData("text/plain", piece.where);
              drag(piece.id);
            }}
            onDragEnd={() => drag(null)}
          >
            <Box lineHeight={1.3}>
              <b>{piece.where}</b> {[piece.scene_title, piece.part_text].filter(Boolean).join(", ")}
              <Box
                fontSize="14px"
                color={piece.too_far ? "ochre" : "ink2"}
                fontWeight={piece.too_far ? 600 : 400}
              >
                {piece.n_text}, needs {piece.minutes_text}: {piece.error_text}
              </Box>
            </Box>
            <Move
              aria-label={`Move ${piece.where} to another run`}
              value=""
              onChange={(event) => move(piece.id, Number(event.target.value))}
            >
              <option value="">move</option>
              {Array.from({ length: others + 1 }, (_, at) => at)
                .filter((at) => at !== number - 1)
                .map((at) => (
                  <option key={at} value={at}>
                    {at === others ? "new run" : `run ${at + 1}`}
                  </option>
                ))}
            </Move>
          </Grid>
        ))}
      </ul>
      <Box paddingTop="2" fontSize="15px">
        {run.developer || "developer"} {run.dilution}, {run.mix_text}
      </Box>
      <Flex gap="4" align="center" paddingTop="2" wrap="wrap">
        <Button disabled={busy} aria-label={`Set up run ${number} of ${run.name}`} onClick={begin}>
          Set up run {number}
        </Button>
        <Link
          to={mixingAt(
            { ...run, line_id, temperature_c: degrees_c },
            run.area_in2,
            bottles.map((each) => each.kind),
          )}
          aria-label={`Mixing sheet for run ${number} of ${run.name}`}
        >
          Mixing sheet
        </Link>
      </Flex>
      <Problem of={problem} />
    </Box>
  );
}
