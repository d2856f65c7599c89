import { Box, chakra, Flex, Grid } from "@chakra-ui/react";
import { useState } from "react";
import { newId } from "../../api/client";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { useWrite } from "../../components/useWrite";
import { beginRun } from "../darkroom/queries";
import type { PlannedRun } from "./queries";

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
  move,
}: {
  run: PlannedRun;
  number: number;
  others: number;
  degrees_c: number;
  line_id: string;
  move: (piece: string, to: number) => void;
}) {
  const { problem, write, busy } = useWrite();
  const [id] = useState(newId);
  const begin = () =>
    write(() =>
      beginRun({
        run: {
          id,
          name: `${run.name}, run ${number}`,
          recipe_id: run.recipe_id,
          n: run.n,
          minutes: Math.round(run.minutes * 60) / 60,
          temperature_c: degrees_c,
          tank_id: run.tank_id,
          line_id,
          went: null,
          begun_at: "",
          developed_at: "",
          note: "",
        },
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
    >
      <Flex align="baseline" gap="3">
        <Box fontSize="30px" fontWeight={620} lineHeight={1.1}>
          {run.minutes_text}
        </Box>
        <Box color="ink2">
          run {number}, {run.name}
        </Box>
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
          >
            <Box lineHeight={1.3}>
              <b>{piece.where}</b> {piece.scene_title}
              <Box
                fontSize="14px"
                color={Math.abs(piece.error_zones) >= 0.25 ? "ochre" : "ink2"}
                fontWeight={Math.abs(piece.error_zones) >= 0.25 ? 600 : 400}
              >
                {piece.n_text}, wants {piece.minutes_text}: {piece.error_text}
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
                    {at === others ? "to a run of its own" : `to run ${at + 1}`}
                  </option>
                ))}
            </Move>
          </Grid>
        ))}
      </ul>
      <Box paddingTop="2" fontSize="15px">
        {run.developer || "developer"} {run.dilution}, {Math.round(run.volume_ml)} ml:{" "}
        {run.mix
          .map((part) => `${part.part} ${part.ml.toFixed(part.ml < 20 ? 1 : 0)} ml`)
          .join(", ")}
      </Box>
      <Button marginTop="2" disabled={busy} onClick={begin}>
        Put run {number} together
      </Button>
      <Problem of={problem} />
    </Box>
  );
}
