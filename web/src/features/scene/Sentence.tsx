import { Box, Flex } from "@chakra-ui/react";
import { type FormEvent, memo, type ReactNode, useState } from "react";
import { Link } from "react-router";
import type { Refusal, Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { ZONES } from "../../components/zones";
import { Choice } from "./Choice";
import { apertureFromText, numberFromText } from "./format";
import type { Scene, Solution } from "./queries";
import { Word } from "./Word";

type Kit = Schemas["Kit"];
type Focus = Scene["focus"];

interface Props {
  scene: Scene;
  kit: Kit;
  solution: Solution | undefined;
  save: (scene: Scene) => Promise<void>;
}

/** The settings as a sentence of editable words. */
export function Sentence({ children, ...props }: Props & { children?: ReactNode }) {
  return (
    <Flex
      wrap="wrap"
      columnGap="4"
      fontSize={{ base: "15px", md: "14px" }}
      lineHeight={1.2}
      align="center"
    >
      <Words {...props} />
      {children}
    </Flex>
  );
}

const Words = memo(function Words(props: Props) {
  return (
    <>
      <PlaceWord {...props} />
      <FilmWord {...props} />
      <LensWord {...props} />
      {!props.scene.pinhole_id && <ApertureWord {...props} />}
      {!props.scene.pinhole_id && <FocusWord {...props} />}
      <FilterWord {...props} />
      <MeterWord {...props} />
    </>
  );
});

/** Keeping a change from inside a word: the refusal stays beside what was typed. */
function useKeep(save: Props["save"], close: () => void) {
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (scene: Scene) => {
    try {
      await save(scene);
      setProblem(null);
      close();
    } catch (refusal) {
      setProblem((refusal as Refusal).message);
    }
  };
  return { problem, setProblem, keep };
}

function PlaceWord({ scene, solution, save }: Props) {
  return (
    <Word label="Place" value={solution?.placement || "nothing yet"}>
      {(close) => <PlaceChoices scene={scene} save={save} close={close} />}
    </Word>
  );
}

function PlaceChoices({
  scene,
  save,
  close,
}: {
  scene: Scene;
  save: Props["save"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(save, close);
  const [reading, setReading] = useState(scene.pin?.reading ?? scene.readings[0]?.id ?? "");
  if (!scene.readings.length) return <Box>Type a reading first, as in 9 shade III.</Box>;
  return (
    <Flex direction="column" gap="3">
      <Choose
        label="Place this reading"
        value={reading}
        options={scene.readings.map((each) => ({ value: each.id, label: each.label || "reading" }))}
        onChange={setReading}
        problem={problem}
      />
      <Box fontSize="14px" color="ink2">
        on zone (drag its pin for thirds)
      </Box>
      <Flex wrap="wrap" gap="1">
        {ZONES.map((name, zone) => (
          <Button
            key={name}
            minWidth="46px"
            paddingInline="1"
            variant={scene.pin?.reading === reading && scene.pin.zone === zone ? "main" : "plain"}
            borderWidth="1px"
            onClick={() => keep({ ...scene, pin: { reading, zone } })}
          >
            {name}
          </Button>
        ))}
      </Flex>
    </Flex>
  );
}

function FilmWord({ scene, kit, solution, save }: Props) {
  const film = kit.films.find((each) => each.id === scene.film_id);
  const rated = scene.exposure_index ?? film?.exposure_index;
  const value = film ? `${film.name} · EI ${rated}` : "choose a film";
  return (
    <Word
      label="Film"
      value={value}
      problem={solution?.problem?.field === "film_id" ? "film" : null}
    >
      {(close) => (
        <FilmChoices
          scene={scene}
          kit={kit}
          save={save}
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
  save,
  close,
  recipe,
}: {
  scene: Scene;
  kit: Kit;
  save: Props["save"];
  close: () => void;
  recipe: string | undefined;
}) {
  const { keep, problem } = useKeep(save, close);
  const film = kit.films.find((each) => each.id === scene.film_id);
  const [index, setIndex] = useState(String(scene.exposure_index ?? film?.exposure_index ?? ""));
  const recipes = kit.recipes.filter((each) => each.film_id === scene.film_id);
  const rate = (event: FormEvent) => {
    event.preventDefault();
    void keep({ ...scene, exposure_index: index.trim() ? numberFromText(index) : null });
  };
  if (!kit.films.length) return <Empty what="film" />;
  return (
    <Flex direction="column" gap="2">
      {kit.films.map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          detail={`EI ${each.exposure_index}`}
          chosen={each.id === scene.film_id}
          onChoose={() =>
            keep({ ...scene, film_id: each.id, exposure_index: null, recipe_id: null })
          }
        />
      ))}
      {film && (
        <form onSubmit={rate}>
          <Flex gap="2" align="flex-end">
            <Entry
              label="Rate it at EI"
              inputMode="decimal"
              value={index}
              onChange={(event) => setIndex(event.target.value)}
              problem={problem}
            />
            <Button type="submit">Rate</Button>
          </Flex>
        </form>
      )}
      {recipes.length > 0 && (
        <Choose
          label="Develop in"
          value={recipe ?? ""}
          options={recipes.map((each) => ({ value: each.id, label: each.name }))}
          onChange={(id) => keep({ ...scene, recipe_id: id })}
        />
      )}
    </Flex>
  );
}

function LensWord({ scene, kit, solution, save }: Props) {
  const lens = kit.lenses.find((each) => each.id === scene.lens_id);
  const pinhole = kit.pinholes.find((each) => each.id === scene.pinhole_id);
  const value = lens?.name ?? (pinhole ? `pinhole ${pinhole.name}` : "choose a lens");
  return (
    <Word
      label="Lens"
      value={value}
      problem={solution?.problem?.field === "lens_id" ? "lens" : null}
    >
      {(close) => <LensChoices scene={scene} kit={kit} save={save} close={close} />}
    </Word>
  );
}

function LensChoices({
  scene,
  kit,
  save,
  close,
}: {
  scene: Scene;
  kit: Kit;
  save: Props["save"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(save, close);
  if (!kit.lenses.length && !kit.pinholes.length) return <Empty what="lens or pinhole" />;
  return (
    <Flex direction="column" gap="1">
      {kit.lenses.map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          detail={`f/${each.optics.widest} – f/${each.optics.smallest}`}
          chosen={each.id === scene.lens_id}
          onChoose={() => keep({ ...scene, lens_id: each.id, pinhole_id: null })}
        />
      ))}
      {kit.pinholes.map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          detail="pinhole"
          chosen={each.id === scene.pinhole_id}
          onChoose={() => keep({ ...scene, lens_id: null, pinhole_id: each.id })}
        />
      ))}
      <Refused text={problem} />
    </Flex>
  );
}

function ApertureWord({ scene, solution, save }: Props) {
  const value = scene.aperture == null ? "choose an aperture" : `f/${scene.aperture}`;
  const wrong = solution?.problem?.field === "aperture";
  return (
    <Word plain label="Aperture" value={value} problem={wrong ? "aperture" : null}>
      {(close) => <ApertureChoices scene={scene} solution={solution} save={save} close={close} />}
    </Word>
  );
}

function ApertureChoices({
  scene,
  solution,
  save,
  close,
}: {
  scene: Scene;
  solution: Solution | undefined;
  save: Props["save"];
  close: () => void;
}) {
  const { keep, problem, setProblem } = useKeep(save, close);
  const [text, setText] = useState(scene.aperture == null ? "" : String(scene.aperture));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const mark = apertureFromText(text);
    if (!mark) setProblem("Type an aperture, as in 22.");
    else void keep({ ...scene, aperture: mark });
  };
  return (
    <Flex direction="column" gap="2" as="form" onSubmit={submit}>
      <Flex gap="2" align="flex-end">
        <Entry
          label="Aperture on the lens"
          value={text}
          inputMode="decimal"
          onChange={(event) => setText(event.target.value)}
          problem={problem}
        />
        <Button type="submit">Set</Button>
      </Flex>
      {solution?.answer?.equivalents.map((pair) => (
        <Choice
          key={pair.aperture}
          name={`f/${pair.aperture}`}
          detail={pair.text}
          chosen={String(scene.aperture) === pair.aperture}
          onChoose={() => keep({ ...scene, aperture: pair.aperture })}
        />
      ))}
    </Flex>
  );
}

const FOCUS = {
  infinity: { name: "infinity", fields: [] },
  draw: { name: "draw beyond infinity", fields: [["draw_mm", "Draw, mm"]] },
  extension: { name: "whole extension", fields: [["extension_mm", "Lens to film, mm"]] },
  magnification: { name: "magnification", fields: [["m", "Image size ÷ subject size"]] },
  target: {
    name: "target on the glass",
    fields: [
      ["target_mm", "Target, mm"],
      ["image_mm", "Its image, mm"],
    ],
  },
  subject: { name: "subject distance", fields: [["distance_mm", "Subject to lens, mm"]] },
} as const;

function focusText(focus: Focus): string {
  switch (focus.kind) {
    case "draw":
      return `${focus.draw_mm} mm draw`;
    case "extension":
      return `${focus.extension_mm} mm extension`;
    case "magnification":
      return `magnification ${focus.m}`;
    case "target":
      return `target ${focus.target_mm} → ${focus.image_mm} mm`;
    case "subject":
      return `subject at ${focus.distance_mm} mm`;
    default:
      return "infinity";
  }
}

function FocusWord({ scene, solution, save }: Props) {
  const wrong = solution?.problem?.field?.startsWith("focus");
  return (
    <Word label="Focus" value={focusText(scene.focus)} problem={wrong ? "focus" : null}>
      {(close) => <FocusChoices scene={scene} save={save} close={close} />}
    </Word>
  );
}

function FocusChoices({
  scene,
  save,
  close,
}: {
  scene: Scene;
  save: Props["save"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(save, close);
  const [kind, setKind] = useState<keyof typeof FOCUS>(scene.focus.kind ?? "infinity");
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(Object.entries(scene.focus).map(([name, value]) => [name, String(value)])),
  );
  const fields = FOCUS[kind].fields;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const values = Object.fromEntries(
      fields.map(([name]) => [name, numberFromText(typed[name] ?? "")]),
    );
    void keep({ ...scene, focus: { kind, ...values } as Focus });
  };
  return (
    <Flex direction="column" gap="3" as="form" onSubmit={submit}>
      <Choose
        label="Focus by"
        value={kind}
        options={Object.entries(FOCUS).map(([value, each]) => ({ value, label: each.name }))}
        onChange={(value) => setKind(value as keyof typeof FOCUS)}
      />
      {fields.map(([name, label], place) => (
        <Entry
          key={name}
          label={label}
          inputMode="decimal"
          value={typed[name] ?? ""}
          onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
          problem={place === fields.length - 1 ? problem : null}
        />
      ))}
      {fields.length === 0 && <Refused text={problem} />}
      <Button type="submit" variant="main">
        Set focus
      </Button>
    </Flex>
  );
}

function FilterWord({ scene, kit, save }: Props) {
  const names = scene.filter_ids.map(
    (id) => kit.filters.find((each) => each.id === id)?.name ?? "?",
  );
  return (
    <Word label="Filter" plain={!names.length} value={names.join(" + ") || "no filter"}>
      {(close) => <FilterChoices scene={scene} kit={kit} save={save} close={close} />}
    </Word>
  );
}

function filterText(each: Kit["filters"][number]): string {
  const { factor, stops, density } = each.filter;
  if (factor != null) return `×${factor}`;
  return density != null ? `density ${density}` : `${stops} stops`;
}

function FilterChoices({
  scene,
  kit,
  save,
  close,
}: {
  scene: Scene;
  kit: Kit;
  save: Props["save"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(save, close);
  if (!kit.filters.length) return <Empty what="filter" />;
  const toggled = (id: string) =>
    scene.filter_ids.includes(id)
      ? scene.filter_ids.filter((each) => each !== id)
      : [...scene.filter_ids, id];
  return (
    <Flex direction="column" gap="1">
      <Choice
        name="none"
        chosen={!scene.filter_ids.length}
        onChoose={() => keep({ ...scene, filter_ids: [] })}
      />
      {kit.filters.map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          detail={filterText(each)}
          chosen={scene.filter_ids.includes(each.id)}
          onChoose={() => keep({ ...scene, filter_ids: toggled(each.id) })}
        />
      ))}
      <Refused text={problem} />
    </Flex>
  );
}

function MeterWord({ scene, kit, save }: Props) {
  const meter = kit.meters.find((each) => each.id === scene.meter_id);
  const settled = kit.meters.length === 1 && Boolean(meter);
  if (!kit.meters.length || settled) return null;
  return (
    <Word label="Meter" value={meter?.name ?? "standard"}>
      {(close) => <MeterChoices scene={scene} kit={kit} save={save} close={close} />}
    </Word>
  );
}

function MeterChoices({
  scene,
  kit,
  save,
  close,
}: {
  scene: Scene;
  kit: Kit;
  save: Props["save"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(save, close);
  return (
    <Flex direction="column" gap="1">
      <Choice
        name="standard"
        detail="K 12.5, C 250"
        chosen={!scene.meter_id}
        onChoose={() => keep({ ...scene, meter_id: null })}
      />
      {kit.meters.map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          chosen={each.id === scene.meter_id}
          onChoose={() => keep({ ...scene, meter_id: each.id })}
        />
      ))}
      <Refused text={problem} />
    </Flex>
  );
}

function Refused({ text }: { text: string | null }) {
  if (!text) return null;
  return (
    <Box role="alert" color="brick" fontSize="14px" fontWeight={550}>
      {text}
    </Box>
  );
}

function Empty({ what }: { what: string }) {
  return (
    <Box>
      There is no {what} in the kit yet. <Link to="/kit">Add one in Kit</Link>
    </Box>
  );
}
