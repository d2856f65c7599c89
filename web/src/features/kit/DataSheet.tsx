import { Box, Flex, Grid } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { count } from "../../components/count";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Refusals } from "../../components/refused";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { BEGUN } from "../../service/service";
import { useWrite } from "../../shared/useWrite";
import { addRecipes, readSheet } from "./queries";

type Read = Schemas["DataSheet"];

/** A maker's table pasted as text: each film is matched to one of the kit, then all are kept. */
export function DataSheet({ kit, close }: { kit: Schemas["Kit"]; close: () => void }) {
  const [text, setText] = useState("");
  const [developer, setDeveloper] = useState("");
  const [degrees, setDegrees] = useState("20");
  const [who, setWho] = useState("data sheet");
  const [films, setFilms] = useState<Record<number, string>>({});
  const [read, setRead] = useState<Read | null>(null);
  const reading = useWrite();
  const keeping = useWrite(close);
  const understand = () => reading.ask(async () => setRead(await readSheet(text)));
  const filmOf = (row: Read["rows"][number]) =>
    films[row.line] ??
    kit.films.find((each) => each.name.toLowerCase() === row.film.toLowerCase())?.id ??
    "";
  const blank = BEGUN.recipes;
  const recipes: Schemas["FilmRecipe"][] = (read?.rows ?? []).flatMap((row) =>
    filmOf(row) === ""
      ? []
      : row.cells
          .filter((cell) => !cell.problem)
          .map((cell) => ({
            ...blank,
            id: newId(),
            film_id: filmOf(row),
            name: `${cell.developer || developer || "Developer"} ${cell.dilution}`.slice(0, 80),
            recipe: {
              ...blank.recipe,
              developer: cell.developer || developer,
              dilution: cell.dilution,
              temperature_c: typedNumber(degrees),
              points:
                cell.minutes == null
                  ? []
                  : [{ ...BEGUN.point, minutes: cell.minutes, ei: row.ei ?? null, who }],
              not_recommended: cell.minutes == null ? who || "the data sheet" : "",
            },
          })),
  );
  const keep = (event: FormEvent) => {
    event.preventDefault();
    if (read) void keeping.write(addRecipes(recipes));
    else void understand();
  };
  return (
    <Refusals of={reading.problem}>
      <Sheet
        open
        close={close}
        title="A data sheet as recipes"
        footer={
          <>
            <Button onClick={close}>Close</Button>
            {read && <Button onClick={() => setRead(null)}>Back to the text</Button>}
            <Button
              variant="main"
              type="submit"
              form="data-sheet"
              disabled={
                reading.busy || keeping.busy || (read ? recipes.length === 0 : !text.trim())
              }
            >
              {read ? `Save ${count(recipes.length, "recipe")}` : "Read table"}
            </Button>
          </>
        }
      >
        <Flex direction="column" gap="4" as="form" id="data-sheet" onSubmit={keep}>
          {!read && (
            <Entry
              label="The table, with its head"
              help="Film, EI if it is there, then each dilution, developers before theirs or in a line over them; parted by tabs, bars or two spaces. A dash is “not recommended”"
              multiline
              rows={8}
              placeholder={
                "Film | EI | stock | 1+1\nGrey film | 100 | 7:30 | 9½\nFast film | 400 | - | 11"
              }
              value={text}
              onText={setText}
              field="text"
            />
          )}
          <Grid templateColumns={{ base: "1fr", md: "2fr 1fr 1fr" }} gap="4">
            <Entry label="Developer, by its generic name" value={developer} onText={setDeveloper} />
            <Entry label="At, °C" inputMode="decimal" value={degrees} onText={setDegrees} />
            <Entry label="Source" value={who} onText={setWho} />
          </Grid>
          {read?.rows.map((row) => (
            <Box key={row.line} borderTop="1px solid" borderColor="line" paddingTop="2">
              <Choose
                label={`“${row.film}” ${row.ei ? `at EI ${row.ei} ` : ""}is`}
                value={filmOf(row)}
                options={named(kit.films, "none of my films: leave it out")}
                onChange={(id) => setFilms({ ...films, [row.line]: id })}
              />
              <Flex as="ul" columnGap="5" wrap="wrap" paddingTop="1">
                {row.cells.map((cell) => (
                  <Box
                    as="li"
                    key={`${cell.developer} ${cell.dilution}`}
                    color={cell.problem ? "ochre" : "ink"}
                  >
                    {cell.developer} {cell.dilution} <b>{cell.text}</b>
                  </Box>
                ))}
              </Flex>
            </Box>
          ))}
          {read && recipes.length === 0 && (
            <Notice tone="note">Say which of your films these are; add them in Kit first.</Notice>
          )}
          <Problem of={reading.problem} />
          <Problem of={keeping.problem} />
        </Flex>
      </Sheet>
    </Refusals>
  );
}
