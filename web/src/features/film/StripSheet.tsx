import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { offered } from "../../shared/offered";
import { developStrip } from "../../shared/runs";
import { useWrite } from "../../shared/useWrite";
import { LossCurve } from "./LossCurve";
import { choicesQuery, weigh } from "./queries";

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
  const [typedEi, setEi] = useState(
    strip.exposure_index == null ? "" : String(strip.exposure_index),
  );
  const ei = typedEi.trim() ? typedNumber(typedEi) : null;
  const asked = useQuery(choicesQuery(strip.id, ei));
  const choices = asked.data?.choices;
  const recipes = offered(useQuery(kitQuery).data?.recipes).filter(
    (each) => each.film_id === view.roll.film_id,
  );
  const [n, setN] = useState<number | null>(strip.n ?? null);
  const [taken, setRecipe] = useState(strip.recipe_id);
  // until another is chosen, the recipe its frames were exposed for
  const recipe = taken ?? asked.data?.recipe_id ?? "";
  const chosen = useWrite(close);
  const weighed = useWrite();
  const rolled = view.roll.exposure_index;
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
            <Button variant="quiet" onClick={() => chosen.write(developStrip(strip.id, null))}>
              Leave it open
            </Button>
          )}
          <Button onClick={close}>Close</Button>
          <Button
            variant="main"
            disabled={!shown || chosen.busy}
            onClick={() =>
              shown && chosen.write(developStrip(strip.id, shown.n, recipe || null, ei))
            }
          >
            Develop for {shown?.n_text ?? "N"}
          </Button>
        </>
      }
    >
      {asked.error && <Notice tone="caution">{asked.error.message}</Notice>}
      {choices && shown && <LossCurve choices={choices} shown={shown} choose={setN} />}
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
                options={OFFERED.weights}
                onChange={(weight) =>
                  weighed.write(weigh(view.roll.id, each.frame, Number(weight)))
                }
              />
            </Grid>
          );
        })}
      </Box>
      <Grid templateColumns="2fr 1fr" gap="4" paddingTop="3">
        <Choose label="Develop in" value={recipe} options={named(recipes)} onChange={setRecipe} />
        <Entry
          label="Developed as EI"
          inputMode="decimal"
          placeholder={rolled ? String(rolled) : "the film's own"}
          value={typedEi}
          onText={setEi}
        />
      </Grid>
      <Box fontSize="13px" color="ink2" paddingTop="2">
        Each frame counts by its priority, and a blocked stop twice a soft one.
      </Box>
      <Problem of={chosen.problem ?? weighed.problem} />
    </Sheet>
  );
}
