import { Box, Flex, Grid } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/calls";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { momentText } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedIn, typedNumber } from "../../components/typedNumber";
import { Conflict } from "../Conflict";
import { History } from "../History";
import { useWrite } from "../useWrite";
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
  const [time, setTime] = useState(String(view.seconds));
  const [aperture, setAperture] = useState(String(view.aperture));
  const [n, setN] = useState(String(view.n));
  const [recipe, setRecipe] = useState(view.recipe_id ?? "");
  const [note, setNote] = useState(view.note);
  const { problem, write, take, at } = useWrite(close);
  const wanted = {
    time: typedIn(time, "s"), // a bare number is the watch's; a mark, or 2:10, says what it is
    aperture: aperture === String(view.aperture) ? view.aperture : aperture,
    n: typedNumber(n),
    recipe_id: recipe || null,
    note,
  };
  const keep = (base: string) => write(correct(view.id, wanted, base));
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
          <History id={view.id} after={close} />
          <Link to={`/log/${view.id}`}>Film history</Link>
          <Button onClick={close}>Cancel</Button>
          <Button variant="main" type="submit" form="correct">
            Save
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="correct" onSubmit={submit}>
        <Box color="ink2">
          {[view.set_text, view.off_text, view.development_text].filter(Boolean).join(", ")}.
          {view.part_text && ` ${view.part_text}.`} Logged {momentText(view.exposed_at)}.
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
          mine={{ ...wanted, seconds: view.seconds }}
          keep={keep}
          take={take}
        />
      </Flex>
    </Sheet>
  );
}
