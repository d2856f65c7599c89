import { Box, Flex, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { Quiet } from "../../components/text";
import { LearnedLine } from "../../shared/LearnedLine";
import { GREYS, MIDDLE, ZONES } from "../../shared/zones";
import type { Kind } from "./fields";
import { LawPlot } from "./LawPlot";
import { PinholeFacts } from "./PinholeFacts";

/** The kinds of record that have a picture of what they mean. */
export const PICTURED: readonly Kind[] = ["films", "lenses", "recipes", "pinholes"];

/** What a record means, drawn while it is typed: a film's law and tones, a lens's marks, a recipe's
    ladder of N, a pinhole's figures. */
export function Picture({
  kind,
  record,
  kit,
}: {
  kind: Kind;
  record: unknown;
  kit: Schemas["Kit"];
}) {
  if (kind === "films")
    return (
      <FilmPicture
        film={record as Schemas["Film"]}
        zones={kit.tables[(record as Schemas["Film"]).id] ?? {}}
      />
    );
  if (kind === "lenses") return <Marks optics={(record as Schemas["KitLens"]).optics} />;
  if (kind === "recipes") {
    const recipe = record as Schemas["FilmRecipe"];
    return (
      <Flex direction="column" gap="3">
        <Ladder recipe={recipe.recipe} />
        {kit.recipes.some((each) => each.id === recipe.id) && <LearnedLine recipeId={recipe.id} />}
      </Flex>
    );
  }
  const pinhole = record as Schemas["KitPinhole"];
  const camera = kit.cameras.find((each) => each.id === pinhole.camera_id);
  return (
    <PinholeFacts
      optics={pinhole.optics}
      format={(camera?.format_mm as [number, number]) ?? [120, 95]}
    />
  );
}

function Titled({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box as="section" aria-label={title}>
      <Box as="h3" fontSize="14px" color="ink2" fontWeight={600} paddingBottom="2">
        {title}
      </Box>
      {children}
    </Box>
  );
}

function FilmPicture({
  film,
  zones,
}: {
  film: Schemas["Film"];
  /** its zones as one writes them */
  zones: Record<string, string>;
}) {
  const [low, high] = film.textural_range as [number, number];
  return (
    <Flex direction="column" gap="5">
      <Titled title="Zones that keep texture">
        <Flex
          role="img"
          aria-label={`From zone ${zones["textural_range.0"] ?? ZONES[low]} to zone ${zones["textural_range.1"] ?? ZONES[high]}`}
        >
          {ZONES.map((zone, place) => {
            const held = place >= low && place <= high;
            return (
              <Flex
                key={zone}
                flex="1"
                height="40px"
                align="center"
                justify="center"
                fontSize="13px"
                fontWeight={650}
                color={!held ? "ink2" : place >= MIDDLE ? "#161616" : "#ffffff"}
                background={held ? GREYS[place] : "transparent"}
                border="1px solid"
                borderColor="line"
                borderBottom="4px solid"
                borderBottomColor={held ? "accent" : "line"}
              >
                {zone}
              </Flex>
            );
          })}
        </Flex>
      </Titled>
      <Titled title="Metered and given times">
        {film.law ? (
          <LawPlot law={film.law} />
        ) : (
          <Quiet>Not known yet: long times are not corrected.</Quiet>
        )}
      </Titled>
    </Flex>
  );
}

/** The marks of a lens with the times they need in one light, as its shutter gives them. */
function Marks({ optics }: { optics: Schemas["Lens"] }) {
  const asked = useDeferredValue(optics);
  const { data } = useQuery({
    ...question("kit_marks_of_lens", { body: asked }),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
  });
  return (
    <Titled title="Its marks, in open shade (EV 12 at EI 100)">
      <ul>
        {data?.map((each) => (
          <Grid
            as="li"
            key={each.aperture}
            templateColumns="80px 1fr"
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="1"
          >
            <b>f/{each.aperture}</b>
            <span>{each.text}</span>
          </Grid>
        ))}
      </ul>
    </Titled>
  );
}

/** The minutes of a recipe from N−2 to N+2, and who says them. */
function Ladder({ recipe }: { recipe: Schemas["Recipe"] }) {
  const asked = useDeferredValue(recipe);
  const { data, error } = useQuery({
    ...question("kit_recipe_ladder", { body: asked }),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <Titled title="Ladder of N">
      {error && <Quiet>{error.message}</Quiet>}
      {data?.map((each) => (
        <Grid
          key={each.n_text}
          templateColumns="44px minmax(0,1fr)"
          gap="3"
          alignItems="center"
          paddingBlock="1.5"
        >
          <b>{each.n_text}</b>
          <Box>
            <Box
              height="10px"
              background="accent"
              opacity={each.estimated ? 0.4 : 1}
              width={`${100 * each.share}%`}
            />
            <Box fontSize="14px">
              {each.minutes_text}{" "}
              <Box as="span" color="ink2">
                {each.said_by}
              </Box>
            </Box>
          </Box>
        </Grid>
      ))}
    </Titled>
  );
}
