import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { newId } from "../../api/newId";
import { kitQuery } from "../../api/queries";
import { Choose } from "../../components/Choose";
import { today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { FormFooter } from "../../components/FormFooter";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { BEGUN, OFFERED } from "../../service/service";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { type FilmTest, putTest } from "./queries";

/** A film test begun: which film, in which recipe. */
export function NewTest({ close }: { close: () => void }) {
  const kit = useQuery(kitQuery).data;
  const navigate = useNavigate();
  const films = offered(kit?.films);
  const [filmId, setFilmId] = useState("");
  const [recipeId, setRecipeId] = useState("");
  const [title, setTitle] = useState("");
  const [target, setTarget] = useState(OFFERED.targets[0]?.value ?? "");
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
          ...BEGUN.test,
          id,
          film_id: film.id,
          recipe_id: recipeId || null,
          title: title || `${film.name}, film test`,
          day: today(),
          target: target as FilmTest["target"],
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
        <FormFooter close={close} form="new-test" disabled={busy || !film}>
          Add
        </FormFooter>
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
          options={OFFERED.targets}
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
