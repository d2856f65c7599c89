import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { Empty } from "../../components/Empty";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { typedNumber } from "../../components/typedNumber";
import { AddSet, BATH_SETS, TANK_SETS } from "../../shared/AddSet";
import { FileLink } from "../../shared/FileLink";
import { useMeasures } from "../../shared/measures";
import { offered } from "../../shared/offered";
import { RoomHeader } from "../../shared/RoomHeader";
import { useAddress } from "../../shared/useAddress";
import { useDegrees } from "../../shared/useDegrees";
import { useKeptText } from "../../shared/useKeptText";
import { Clearing } from "./Clearing";
import { LinesToFollow } from "./LinesToFollow";
import { type Asked, powderQuery, sheetQuery } from "./queries";

/** Mixing: for a run, or stock from powder, as lines to follow; and how good the fixer is. */
export function MixingPage() {
  const kit = useQuery(kitQuery).data;
  const [sought, set] = useAddress();
  const powder = sought.get("powder");
  const powders = offered(kit?.powders);
  const recipes = offered(kit?.recipes);
  const tanks = offered(kit?.tanks);
  const lines = offered(kit?.lines);
  const filmOf = (id: string) => kit?.films.find((each) => each.id === id)?.name ?? "";
  const chosen = (name: string, first: string | undefined) => sought.get(name) ?? first ?? "";
  const recipe = chosen("recipe_id", kit?.usual.recipes);
  const tank = chosen("tank_id", kit?.usual.tanks);
  const line = chosen("line_id", kit?.usual.lines);
  const ready = recipe !== "" && tank !== "" && line !== "";
  return (
    <>
      <RoomHeader title="Mix">
        <Link to="/darkroom">Darkroom</Link>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        <Box maxWidth="420px" paddingBottom="4">
          <Choose
            label="Mix"
            value={powder ?? ""}
            options={[
              { value: "", label: "Baths for a run" },
              ...powders.map((each) => ({ value: each.id, label: `${each.name}, from powder` })),
            ]}
            onChange={(powder) => set({ powder })}
          />
        </Box>
        {kit && !powder && !ready && (
          <Empty title="Choose recipe, tank and bath sequence">
            What a run takes is worked out from them.
            {recipes.length === 0 && <Link to="/kit?do=recipe">Add a recipe in Kit</Link>}
            {tanks.length === 0 && <AddSet empty="No tank or tray yet." sets={TANK_SETS} />}
            {lines.length === 0 && <AddSet empty="No bath sequence yet." sets={BATH_SETS} />}
          </Empty>
        )}
        {kit && powder && <FromPowder id={powder} />}
        {kit && !powder && ready && (
          <>
            <Box as="details" {...(!sought.has("recipe_id") && { open: true })}>
              <Box as="summary" minHeight="44px" cursor="pointer" paddingBlock="2">
                {[recipes, tanks, lines]
                  .map(
                    (kind, at) => kind.find((each) => each.id === [recipe, tank, line][at])?.name,
                  )
                  .filter(Boolean)
                  .join(" · ")}
              </Box>
              <Flex gap="4" wrap="wrap" maxWidth="960px">
                <Box flex="2 1 260px">
                  <Choose
                    label="Recipe"
                    value={recipe}
                    options={recipes.map((each) => ({
                      value: each.id,
                      label: `${filmOf(each.film_id)}: ${each.name}`,
                    }))}
                    onChange={(recipe_id) => set({ recipe_id })}
                  />
                </Box>
                <Box flex="1 1 180px">
                  <Choose
                    label="Tank or tray"
                    value={tank}
                    options={named(tanks)}
                    onChange={(tank_id) => set({ tank_id })}
                  />
                </Box>
                <Box flex="1 1 180px">
                  <Choose
                    label="Bath sequence"
                    value={line}
                    options={named(lines)}
                    onChange={(line_id) => set({ line_id })}
                  />
                </Box>
              </Flex>
            </Box>
            <ForRun recipe_id={recipe} tank_id={tank} line_id={line} />
          </>
        )}
        <Clearing />
      </Box>
    </>
  );
}

function ForRun({ recipe_id, tank_id, line_id }: Pick<Asked, "recipe_id" | "tank_id" | "line_id">) {
  const [sought, set] = useAddress();
  const [tap, setTap] = useKeptText("tap water");
  const [other, setOther] = useKeptText("other water");
  const [area, setArea] = useState(sought.get("area_in2") ?? "80");
  const { unit, said } = useDegrees();
  const ml = useMeasures().ml;
  const [filled, setFilled] = useState("");
  const [water, setWater] = useState("");
  const [typed, setTyped] = useState<string | null>(null);
  const asked: Asked = {
    recipe_id,
    tank_id,
    line_id,
    area_in2: typedNumber(area),
    temperature_c: typed === null ? typedNumber(sought.get("temperature_c") ?? "20") : said(typed),
    ready: sought.get("ready") ?? "",
    ...(filled.trim() && { filled_ml: ml.typed(filled) }),
    ...(water.trim() && { water_ml: ml.typed(water) }),
    ...(tap.trim() && other.trim() && { tap_c: said(tap), other_c: said(other) }),
  };
  const sheet = useQuery(sheetQuery(asked));
  const wanted = typed ?? sheet.data?.degrees ?? "";
  const query = new URLSearchParams(Object.entries(asked).map(([key, value]) => [key, `${value}`]));
  const field = (label: string, value: string, change: (text: string) => void, help?: string) => (
    <Box>
      <Entry label={label} help={help} inputMode="decimal" value={value} onText={change} />
    </Box>
  );
  return (
    <>
      <Grid
        gap="4"
        templateColumns={{ base: "repeat(2, minmax(0,1fr))", md: "repeat(3, minmax(0,1fr))" }}
        maxWidth="960px"
        paddingBlock="4"
      >
        {field(`Target temperature, ${unit}`, wanted, setTyped)}
        {field(
          "Film area, square inches",
          area,
          (area_in2) => {
            setArea(area_in2);
            set({ area_in2 });
          },
          "80: a roll, four 4×5",
        )}
        {field(`Tank filled with, ${ml.name}`, filled, setFilled, "one reel in a tank of two")}
        {field(`Or water first, ${ml.name}`, water, setWater, "the developer by its water")}
        {field(`Tap water, ${unit}`, tap, setTap)}
        {field(`Hot or ice water, ${unit}`, other, setOther, "enter both to get the two amounts")}
      </Grid>
      {asked.ready && (
        <Box color="ink2" paddingBottom="3">
          Ready in bottles, and not mixed: {asked.ready.replaceAll(",", ", ")}.
        </Box>
      )}
      {sheet.error && (
        <Box paddingBottom="3" maxWidth="720px">
          <Notice tone="refusal" live>
            {sheet.error.message}
          </Notice>
        </Box>
      )}
      {sheet.data && (
        <Box opacity={sheet.error ? 0.45 : 1}>
          <LinesToFollow sheet={sheet.data} name={recipe_id} />
          <Box paddingTop="2">
            <FileLink href={`/api/mixing/sheet.pdf?${query}`}>Mixing sheet (PDF)</FileLink>
          </Box>
        </Box>
      )}
    </>
  );
}

function FromPowder({ id }: { id: string }) {
  const sheet = useQuery(powderQuery(id));
  if (sheet.error) {
    return (
      <Notice tone="refusal" live>
        {sheet.error.message}
      </Notice>
    );
  }
  if (!sheet.data) return null;
  return (
    <>
      <LinesToFollow sheet={sheet.data} name={id} />
      <Box paddingTop="2">
        <FileLink href={`/api/mixing/powders/${id}/sheet.pdf`}>Mixing sheet (PDF)</FileLink>
      </Box>
    </>
  );
}
