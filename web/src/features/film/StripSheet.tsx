import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { useWrite } from "../../shared/useWrite";
import { WEIGHTS } from "../../shared/weights";
import { choicesQuery, developStrip, weigh } from "./queries";

type View = Schemas["RollView"];

/** One development for all frames of a strip: what each of them loses, before it is chosen. */
export function StripSheet({
  view,
  strip: { strip, frames_text },
  close,
}: {
  view: View;
  strip: View["strips"][number];
  close: () => void;
}) {
  const asked = useQuery(choicesQuery(strip.id));
  const choices = asked.data?.choices;
  const recipes = (useQuery(kitQuery).data?.recipes ?? []).filter(
    (each) => each.film_id === view.roll.film_id && !each.archived,
  );
  const [n, setN] = useState<number | null>(strip.n ?? null);
  const [taken, setRecipe] = useState(strip.recipe_id);
  // until another is chosen, the recipe its frames were exposed for
  const recipe = taken ?? asked.data?.recipe_id ?? "";
  const chosen = useWrite(close);
  const weighed = useWrite();
  const best = choices?.find((each) => each.best);
  const shown = choices?.find((each) => each.n === n) ?? best;
  return (
    <Sheet
      open
      close={close}
      title={`${[`Roll ${view.roll.number}`, frames_text].filter(Boolean).join(", ")}: one development`}
      footer={
        <>
          {strip.n != null && (
            <Button
              variant="quiet"
              onClick={() => chosen.write(developStrip(strip.id, null, null))}
            >
              Leave it open
            </Button>
          )}
          <Button onClick={close}>Close</Button>
          <Button
            variant="main"
            disabled={!shown || chosen.busy}
            onClick={() => shown && chosen.write(developStrip(strip.id, shown.n, recipe || null))}
          >
            Develop for {shown?.n_text ?? "N"}
          </Button>
        </>
      }
    >
      {asked.error && <Notice tone="caution">{asked.error.message}</Notice>}
      <Box fontSize="14px" color="ink2" paddingBottom="1">
        Stops of tone lost by all frames together
      </Box>
      <Flex role="group" aria-label="Development" wrap="wrap" gap="1">
        {choices?.map((each) => (
          <Button
            key={each.n}
            minWidth="56px"
            paddingInline="2"
            borderWidth="1px"
            variant={each === shown ? "main" : "plain"}
            aria-pressed={each === shown}
            flexDirection="column"
            gap="0"
            lineHeight={1.15}
            onClick={() => setN(each.n)}
          >
            {each.n_text}
            <Box as="span" fontSize="12px" fontWeight={400}>
              {each.best ? "least lost" : `${each.cost.toFixed(1)} stops`}
            </Box>
          </Button>
        ))}
      </Flex>
      <Box as="ul" paddingTop="3">
        {(shown?.losses ?? view.frames.filter((each) => each.exposure_id)).map((each) => {
          const told = "says" in each ? each : null;
          return (
            <Grid
              as="li"
              key={each.frame}
              templateColumns="28px minmax(0,1fr) 120px"
              gap="2"
              alignItems="center"
              borderBottom="1px solid"
              borderColor="line"
              paddingBlock="1.5"
            >
              <b>{each.frame}</b>
              <Box lineHeight={1.3}>
                {told?.title ?? ("scene_title" in each ? each.scene_title : "")}, needs{" "}
                {each.n_text}
                {told && (
                  <Box
                    fontSize="14px"
                    color={told.beyond_paper ? "brick" : told.lost_stops ? "ochre" : "ink2"}
                    fontWeight={told.lost_stops || told.beyond_paper ? 600 : 400}
                  >
                    {told.says}
                  </Box>
                )}
              </Box>
              <Choose
                label="Priority"
                value={String(each.weight)}
                options={WEIGHTS}
                onChange={(weight) =>
                  weighed.write(weigh(view.roll.id, each.frame, Number(weight)))
                }
              />
            </Grid>
          );
        })}
      </Box>
      <Box paddingTop="3">
        <Choose
          label="Develop in"
          value={recipe}
          options={recipes.map((each) => ({ value: each.id, label: each.name }))}
          onChange={setRecipe}
        />
      </Box>
      <Box fontSize="13px" color="ink2" paddingTop="2">
        Each frame counts by its priority, and a blocked stop twice a soft one.
      </Box>
      <Problem of={chosen.problem ?? weighed.problem} />
    </Sheet>
  );
}
