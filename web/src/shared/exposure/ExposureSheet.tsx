import { Grid } from "@chakra-ui/react";
import { useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { Choose, named } from "../../components/Choose";
import { momentText } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Quiet } from "../../components/text";
import { typedIn, typedNumber } from "../../components/typedNumber";
import { FormSheet } from "../FormSheet";
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
  const writing = useWrite(close);
  const wanted = {
    time: typedIn(time, "s"), // a bare number is the watch's; a mark, or 2:10, says what it is
    aperture: aperture === String(view.aperture) ? view.aperture : aperture,
    n: typedNumber(n),
    recipe_id: recipe || null,
    note,
  };
  const keep = (base: string) => writing.write(correct(view.id, wanted, base));
  return (
    <FormSheet
      close={close}
      title={view.where}
      writing={writing}
      keep={keep}
      base={view.version}
      mine={{ ...wanted, seconds: view.seconds }}
      beside={
        <>
          <History id={view.id} after={close} />
          <Link to={`/log/${view.id}`}>Film history</Link>
        </>
      }
    >
      <Quiet>
        {[view.set_text, view.off_text, view.development_text].filter(Boolean).join(", ")}.
        {view.part_text && ` ${view.part_text}.`} Logged {momentText(view.exposed_at)}.
      </Quiet>
      <Grid templateColumns="1fr 1fr 1fr" gap="3">
        <Entry label="Time given" value={time} onText={setTime} field="time" />
        <Entry label="Aperture" value={aperture} onText={setAperture} field="aperture" />
        <Entry label="N" value={n} onText={setN} field="n" />
      </Grid>
      <Choose
        label="Develop in"
        value={recipe}
        options={named(recipes, "not decided")}
        onChange={setRecipe}
        field="recipe_id"
      />
      <Entry label="Note" multiline value={note} onText={setNote} field="note" />
    </FormSheet>
  );
}
