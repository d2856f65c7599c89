import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useLocation } from "wouter";
import { newId } from "../../api/newId";
import { kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { BEGUN, OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { type FilmTest, putTest } from "./queries";

/** A film test begun: which film, in which recipe. */
export function NewTest({ close }: { close: () => void }) {
  const kit = useQuery(kitQuery).data;
  const [, navigate] = useLocation();
  const films = offered(kit?.films);
  const [filmId, setFilmId] = useState("");
  const [recipeId, setRecipeId] = useState("");
  const [title, setTitle] = useState("");
  const [target, setTarget] = useState(OFFERED.targets[0]?.value ?? "");
  const [id] = useState(newId);
  const writing = useWrite(() => navigate(`/bench/${id}`));
  const film = films.find((each) => each.id === filmId) ?? films[0];
  const recipes = (kit?.recipes ?? []).filter((each) => each.film_id === film?.id);
  const add = () => {
    if (!film) return;
    void writing.write(
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
    <FormSheet
      close={close}
      title="Add a film test"
      writing={writing}
      keep={add}
      says="Add"
      unready={!film}
    >
      {kit && films.length === 0 && (
        <Notice tone="note">There is no film in the kit yet: add one there first.</Notice>
      )}
      <Choose
        label="Film"
        value={film?.id ?? ""}
        options={named(films)}
        onChange={(value) => {
          setFilmId(value);
          setRecipeId("");
        }}
      />
      <Choose
        label="Recipe"
        value={recipeId}
        options={named(recipes, "none yet")}
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
        onText={setTitle}
        field="title"
      />
    </FormSheet>
  );
}
