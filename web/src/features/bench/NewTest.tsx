import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { newId } from "../../api/client";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { useWrite } from "../../shared/useWrite";
import { putTest } from "./queries";
import { TARGETS } from "./targets";

/** A film test begun: which film, in which recipe. */
export function NewTest({ close }: { close: () => void }) {
  const kit = useQuery(kitQuery).data;
  const navigate = useNavigate();
  const films = (kit?.films ?? []).filter((each) => !each.archived);
  const [filmId, setFilmId] = useState("");
  const [recipeId, setRecipeId] = useState("");
  const [title, setTitle] = useState("");
  const [target, setTarget] = useState(TARGETS[0]?.value ?? "");
  const [id] = useState(newId);
  const { write, problem, busy, at } = useWrite(() => navigate(`/bench/${id}`));
  const film = films.find((each) => each.id === filmId) ?? films[0];
  const recipes = (kit?.recipes ?? []).filter((each) => each.film_id === film?.id);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!film) return;
    void write(
      putTest(
        {
          id,
          film_id: film.id,
          recipe_id: recipeId || null,
          title: title || `${film.name}, film test`,
          day: today(),
          target,
          curves: [],
          beside: null,
          match_net: 0.1,
          tablet: [],
          tablet_log_h: null,
          strips: [],
          others: [],
          bracket_stops: 2,
          print_s: null,
          colours: [],
          conditions: { lens: "", light: "", shutter_measured: false },
          observed: { grain: "", scratches: "", flatness: "", sharpness: "", price: null },
          verdict: "",
          note: "",
        },
        "",
      ),
    );
  };
  return (
    <Sheet
      open
      close={close}
      title="Add a film test"
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button variant="main" type="submit" form="new-test" disabled={busy || !film}>
            Add
          </Button>
        </>
      }
    >
      <form
        id="new-test"
        onSubmit={submit}
        style={{ display: "flex", flexDirection: "column", gap: 16 }}
      >
        {kit && films.length === 0 && (
          <Notice tone="note">There is no film in the kit yet: add one there first.</Notice>
        )}
        <Choose
          label="Film"
          value={film?.id ?? ""}
          options={films.map((each) => ({ value: each.id, label: each.name }))}
          onChange={(value) => {
            setFilmId(value);
            setRecipeId("");
          }}
        />
        <Choose
          label="Recipe"
          value={recipeId}
          options={[
            { value: "", label: "none yet" },
            ...recipes.map((each) => ({ value: each.id, label: each.name })),
          ]}
          onChange={setRecipeId}
        />
        <Choose
          label="Target"
          value={target}
          options={TARGETS}
          onChange={(value) => setTarget(value as typeof target)}
        />
        <Entry
          label="Title"
          placeholder={film ? `${film.name}, film test` : ""}
          value={title}
          onChange={(event) => setTitle(event.target.value)}
          problem={at("title")}
        />
        <Problem of={problem} />
      </form>
    </Sheet>
  );
}
