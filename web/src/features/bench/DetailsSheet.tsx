import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Fieldset } from "../../components/Fieldset";
import { Tick } from "../../components/Tick";
import { Small } from "../../components/text";
import { typedNumber, typedRows } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { type FilmTest, putTest, type TestView } from "./queries";

const of = (labels: readonly string[]) => [
  { value: "", label: "not looked at" },
  ...labels.map((label) => ({ value: label, label })),
];
const GRAIN = of(["fine", "medium", "coarse"]);
const SCRATCHES = of(["none", "black in the print", "white in the print", "both"]);
const GRADES = of(["poor", "fair", "good"]);

/** Everything about a test beside its curves: how it was exposed, its colours, what the eye says. */
export function DetailsSheet({ view, close }: { view: TestView; close: () => void }) {
  const { test } = view;
  const kit = useQuery(kitQuery).data;
  const recipes = (kit?.recipes ?? []).filter((each) => each.film_id === test.film_id);
  const [draft, setDraft] = useState({
    title: test.title,
    day: test.day ?? "",
    target: test.target ?? "",
    recipe_id: test.recipe_id ?? "",
    note: test.note ?? "",
    bracket: String(test.bracket_stops ?? 2),
    print_s: test.print_s == null ? "" : String(test.print_s),
    colours: (test.colours ?? []).map((each) => `${each.label} ${each.density}`).join("\n"),
    price: test.observed?.price == null ? "" : String(test.observed.price),
    ...test.conditions,
    ...only(test.observed),
  });
  const set = (changed: Partial<typeof draft>) => setDraft({ ...draft, ...changed });
  const writing = useWrite(close);
  const wanted = {
    ...test,
    title: draft.title,
    day: draft.day,
    target: draft.target,
    recipe_id: draft.recipe_id || null,
    note: draft.note,
    bracket_stops: typedNumber(draft.bracket),
    print_s: draft.print_s ? typedNumber(draft.print_s) : null,
    colours: typedRows<Schemas["Colour"]>(draft.colours),
    conditions: {
      lens: draft.lens,
      light: draft.light,
      emulsion: draft.emulsion,
      expires: draft.expires,
      shutter_measured: draft.shutter_measured,
    },
    observed: {
      grain: draft.grain,
      scratches: draft.scratches,
      flatness: draft.flatness,
      sharpness: draft.sharpness,
      price: draft.price ? typedNumber(draft.price) : null,
    },
  } as FilmTest;
  const keep = (base: string) => void writing.write(putTest(wanted, base));
  const text = (name: keyof typeof draft, label: string, help?: string) => (
    <Entry
      label={label}
      {...(help ? { help } : {})}
      value={String(draft[name])}
      onText={(text) => set({ [name]: text })}
      field={fieldOf(test, name)}
    />
  );
  const choose = (
    name: "grain" | "scratches" | "flatness" | "sharpness",
    label: string,
    options: { value: string; label: string }[],
  ) => (
    <Choose
      label={label}
      value={draft[name]}
      options={options}
      onChange={(value) => set({ [name]: value })}
    />
  );
  return (
    <FormSheet
      close={close}
      title="Details of the test"
      writing={writing}
      keep={keep}
      base={view.version}
      mine={wanted}
      gap="5"
    >
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
        {text("title", "Title")}
        <Entry
          label="Day"
          type="date"
          value={draft.day}
          onText={(text) => set({ day: text })}
          field="day"
        />
        <Choose
          label="Target"
          value={draft.target}
          options={OFFERED.targets}
          onChange={(value) => set({ target: value as typeof draft.target })}
        />
        <Choose
          label="Recipe"
          value={draft.recipe_id}
          options={named(recipes, "none yet")}
          onChange={(recipe_id) => set({ recipe_id })}
        />
      </Grid>
      <Group title="How it was exposed">
        {text("lens", "Lens")}
        {text("light", "Light")}
        {text("emulsion", "Emulsion number", "a test is of one roll or box, not of the film")}
        {text("expires", "Expires", "2027-06")}
        <Tick on={draft.shutter_measured} set={(on) => set({ shutter_measured: on })}>
          the shutter was measured
        </Tick>
      </Group>
      <Group title="For films side by side">
        {text("bracket", "Bracket either way, stops", "frames in thirds, to print from")}
        {text("print_s", "Print time of the reference, s")}
      </Group>
      <Entry
        label="Colours of a card"
        help="a colour and its density on each line, read where shadows are equal"
        multiline
        rows={5}
        value={draft.colours}
        onText={(text) => set({ colours: text })}
        field="colours"
      />
      {!draft.colours && (
        <Box>
          <Button
            variant="word"
            onClick={() => set({ colours: OFFERED.card.map(({ label }) => label).join("\n") })}
          >
            Begin with the names of a card
          </Button>
        </Box>
      )}
      <Group title="What the eye says">
        {choose("grain", "Grain", GRAIN)}
        {choose("scratches", "Scratches", SCRATCHES)}
        {choose("flatness", "Flatness in the carrier", GRADES)}
        {choose("sharpness", "Edge sharpness", GRADES)}
        {text("price", "Price per sheet")}
      </Group>
      <Small>Scratches black in the print are in the emulsion, white ones in the base.</Small>
      <Entry
        label="Note"
        multiline
        rows={3}
        value={draft.note}
        onText={(text) => set({ note: text })}
        field="note"
      />
    </FormSheet>
  );
}

/** What a value of the draft is called in a refusal. */
function fieldOf({ conditions, observed }: FilmTest, name: string) {
  const held = Object.entries({ conditions, observed }).find(([, each]) => each && name in each);
  return held ? `${held[0]}.${name}` : name;
}

/** What was looked at, without the price, which is typed. */
function only(observed: FilmTest["observed"]) {
  const { price: _, ...seen } = observed;
  return seen;
}

function Group({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Fieldset legend={title}>
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
        {children}
      </Grid>
    </Fieldset>
  );
}
