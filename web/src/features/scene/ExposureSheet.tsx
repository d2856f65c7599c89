import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Refusal, Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { apertureFromText, timeFromText } from "./format";
import { correct, type ExposureView } from "./queries";

/** A logged exposure put right: what was really given, its N, its recipe. The plan stays. */
export function ExposureSheet({
  view,
  recipes,
  close,
}: {
  view: ExposureView;
  recipes: Schemas["FilmRecipe"][];
  close: () => void;
}) {
  const client = useQueryClient();
  const { exposure } = view;
  const [time, setTime] = useState(String(exposure.seconds));
  const [aperture, setAperture] = useState(String(exposure.aperture));
  const [n, setN] = useState(String(exposure.n));
  const [recipe, setRecipe] = useState(exposure.recipe_id ?? "");
  const [note, setNote] = useState(exposure.note);
  const [problem, setProblem] = useState<Refusal | null>(null);
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    const mark = apertureFromText(aperture);
    try {
      await correct(exposure.id, {
        time: timeFromText(time),
        aperture: typeof exposure.aperture === "number" ? typedNumber(mark) : mark,
        n: typedNumber(n),
        recipe_id: recipe || null,
        note,
      });
      await client.invalidateQueries();
      close();
    } catch (refusal) {
      setProblem(refusal as Refusal);
    }
  };
  const at = (field: string) => (problem?.field === field ? problem.message : null);
  return (
    <Sheet
      open
      close={close}
      title={`Side ${view.where}`}
      footer={
        <>
          <Button onClick={close}>Close</Button>
          <Button variant="main" type="submit" form="correct">
            Keep
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="correct" onSubmit={keep}>
        <Box color="ink2">
          {view.set_text}, {view.error_text} stop from the plan, {view.n_text}. Logged{" "}
          {exposure.exposed_at.slice(0, 16).replace("T", " ")} UTC.
        </Box>
        <Grid templateColumns="1fr 1fr 1fr" gap="3">
          <Entry
            label="Time given"
            value={time}
            onChange={(event) => setTime(event.target.value)}
            problem={at("time")}
          />
          <Entry
            label="Aperture"
            value={aperture}
            onChange={(event) => setAperture(event.target.value)}
            problem={at("aperture")}
          />
          <Entry
            label="N"
            value={n}
            onChange={(event) => setN(event.target.value)}
            problem={at("n")}
          />
        </Grid>
        <Choose
          label="Develop in"
          value={recipe}
          options={[
            { value: "", label: "not decided" },
            ...recipes.map((each) => ({ value: each.id, label: each.name })),
          ]}
          onChange={setRecipe}
          problem={at("recipe_id")}
        />
        <Entry
          label="Note"
          multiline
          value={note}
          onChange={(event) => setNote(event.target.value)}
          problem={at("note")}
        />
        {problem &&
          !["time", "aperture", "n", "recipe_id", "note"].includes(problem.field ?? "") && (
            <Box role="alert" color="brick" fontWeight={550}>
              {problem.message}
            </Box>
          )}
      </Flex>
    </Sheet>
  );
}
