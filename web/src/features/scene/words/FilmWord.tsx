import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { readyQuery } from "../../../api/queries";
import { Button } from "../../../components/Button";
import { Choose, named } from "../../../components/Choose";
import { Entry } from "../../../components/Entry";
import { typedNumber } from "../../../components/typedNumber";
import { OFFERED } from "../../../service/service";
import { offered } from "../../../shared/offered";
import { onFilmsQuery, type Scene } from "../queries";
import { Choice } from "./Choice";
import { NameOne } from "./NameOne";
import { assumed, type Kit, type WordProps } from "./props";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

type Reason = Scene["rating_reason"];

export function FilmWord({ scene, kit, solution, edit }: WordProps) {
  const film = kit.films.find((each) => each.id === scene.film_id);
  const rated = scene.exposure_index ?? film?.exposure_index;
  const unsaid = rated ? `EI ${rated}, film not named` : "EI 100, assumed";
  const named = film ? `${film.name} · EI ${rated}` : (assumed(solution, "film") ?? unsaid);
  const value = [named, solution?.pre_exposed].filter(Boolean).join(" · ");
  return (
    <Word
      label="Film"
      value={value}
      soft={!film}
      problem={solution?.problem?.field === "film_id" ? "film" : null}
    >
      {(close) => (
        <FilmChoices
          scene={scene}
          kit={kit}
          edit={edit}
          close={close}
          recipe={solution?.recipe?.id}
        />
      )}
    </Word>
  );
}

function FilmChoices({
  scene,
  kit,
  edit,
  close,
  recipe,
}: {
  scene: Scene;
  kit: Kit;
  edit: WordProps["edit"];
  close: () => void;
  recipe: string | undefined;
}) {
  const { keep, problem } = useKeep(edit, close);
  const film = kit.films.find((each) => each.id === scene.film_id);
  const [index, setIndex] = useState(String(scene.exposure_index ?? film?.exposure_index ?? ""));
  const recipes = offered(kit.recipes, scene.recipe_id).filter(
    (each) => each.film_id === scene.film_id,
  );
  const own = film?.exposure_index;
  const onFilms = Object.fromEntries(
    (useQuery(onFilmsQuery(scene)).data ?? []).map((each) => [each.film_id, each.text]),
  );
  const ready = useQuery(readyQuery).data ?? [];
  const rolls = ready
    .filter((each) => each.roll_number != null && each.in_gate)
    .map((each) => ({ ...each, number: each.roll_number }));
  const ownOf = (id: string) => kit.films.find((each) => each.id === id)?.exposure_index;
  const other = index.trim() !== "" && index.trim() !== String(own);
  const [reason, setReason] = useState<string>(scene.rating_reason ?? "");
  const rate = (event: FormEvent) => {
    event.preventDefault();
    const exposure_index = other ? typedNumber(index) : null;
    void keep({
      kind: "rate",
      exposure_index,
      reason: exposure_index === null ? null : ((reason || null) as Reason),
    });
  };
  return (
    <Flex direction="column" gap="2">
      {offered(kit.films, scene.film_id).map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          detail={[`EI ${each.exposure_index}`, onFilms[each.id]].filter(Boolean).join(", ")}
          chosen={each.id === scene.film_id}
          onChoose={() => keep({ kind: "film", film_id: each.id })}
        />
      ))}
      {rolls.map((roll) => (
        <Choice
          key={roll.number}
          name={`Roll ${roll.number}, ${roll.film_name}`}
          detail={`loaded, EI ${roll.rated_ei}`}
          chosen={roll.film_id === scene.film_id && roll.rated_ei === (scene.exposure_index ?? own)}
          onChoose={() =>
            keep(
              { kind: "film", film_id: roll.film_id },
              ownOf(roll.film_id) === roll.rated_ei
                ? { kind: "rate", exposure_index: null, reason: null }
                : {
                    kind: "rate",
                    exposure_index: roll.rated_ei,
                    reason: roll.rating_reason ?? "push_pull",
                  },
            )
          }
        />
      ))}
      <form onSubmit={rate}>
        <Flex gap="2" align="flex-end">
          <Entry
            label="Exposure index"
            inputMode="decimal"
            value={index}
            placeholder="100"
            onText={setIndex}
            problem={problem}
          />
          <Button type="submit">Set EI</Button>
        </Flex>
        {film && other && (
          <Box paddingTop="2">
            <Choose
              label={`Why not at its own EI ${own}`}
              value={reason}
              options={OFFERED.rating_reasons}
              onChange={setReason}
            />
          </Box>
        )}
      </form>
      <Choose
        label="A little light before"
        value={scene.pre_exposure_zone == null ? "" : String(scene.pre_exposure_zone)}
        options={OFFERED.pre_exposures}
        onChange={(value) =>
          keep({ kind: "pre_expose", pre_exposure_zone: value === "" ? null : Number(value) })
        }
      />
      <NameOne label="Other film" example="Corvane" word="film" edit={edit} close={close} />
      {recipes.length > 0 && (
        <Choose
          label="Develop in"
          value={recipe ?? ""}
          options={named(recipes)}
          onChange={(id) => keep({ kind: "recipe", recipe_id: id })}
        />
      )}
    </Flex>
  );
}
