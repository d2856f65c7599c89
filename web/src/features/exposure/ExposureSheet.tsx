import { Box, Flex, Grid } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Conflict } from "../../components/Conflict";
import { momentText } from "../../components/days";
import { Entry } from "../../components/Entry";
import { History } from "../../components/History";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../components/useWrite";
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
  const { exposure } = view;
  const [time, setTime] = useState(String(exposure.seconds));
  const [aperture, setAperture] = useState(String(exposure.aperture));
  const [n, setN] = useState(String(exposure.n));
  const [recipe, setRecipe] = useState(exposure.recipe_id ?? "");
  const [note, setNote] = useState(exposure.note);
  const { problem, write, take, at } = useWrite(close);
  const mark = apertureFromText(aperture);
  const wanted = {
    time: timeFromText(time),
    aperture: typeof exposure.aperture === "number" ? typedNumber(mark) : mark,
    n: typedNumber(n),
    recipe_id: recipe || null,
    note,
  };
  const keep = (base: string) => write(() => correct(exposure.id, wanted, base));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep(view.version);
  };
  return (
    <Sheet
      open
      close={close}
      title={view.where}
      footer={
        <>
          <History id={exposure.id} after={close} />
          <Link to={`/log/${exposure.id}`}>Its story</Link>
          <Button onClick={close}>Close</Button>
          <Button variant="main" type="submit" form="correct">
            Keep
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="correct" onSubmit={submit}>
        <Box color="ink2">
          {view.set_text}, {view.error_text} stop from the plan, {view.n_text}. Logged{" "}
          {momentText(exposure.exposed_at)}.
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
        <Problem of={problem} fields={["time", "aperture", "n", "recipe_id", "note"]} />
        <Conflict
          problem={problem}
          mine={{ ...wanted, seconds: exposure.seconds }}
          keep={keep}
          take={take}
        />
      </Flex>
    </Sheet>
  );
}
