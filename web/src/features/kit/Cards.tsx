import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { outingsQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { midnight, today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Small } from "../../components/text";
import { FileLink } from "../../shared/FileLink";

const LATEST = 12;

/** Cards for the bag: to print, and the same tables as CSV. */
export function Cards({ kit }: { kit: Schemas["Kit"] }) {
  const [film, setFilm] = useState(kit.films.find((each) => each.law)?.id ?? "");
  const [pinhole, setPinhole] = useState(kit.pinholes[0]?.id ?? "");
  const [lens, setLens] = useState(kit.lenses[0]?.id ?? "");
  const [diameter, setDiameter] = useState("60");
  const [stop, setStop] = useState("9");
  const places = (useQuery(outingsQuery(LATEST)).data ?? []).filter(
    (each) => each.outing.latitude != null,
  );
  const [chosen, setOuting] = useState("");
  const outing = chosen || (places[0]?.outing.id ?? "");
  const [month, setMonth] = useState(today().slice(0, 7));
  return (
    <Box as="section" aria-label="Cards" gridColumn="1 / -1">
      <Box as="h2" fontSize="19px" borderBottom="2px solid" borderColor="ink" paddingBlock="2">
        Cards for the bag
      </Box>
      <Grid
        templateColumns={{ base: "1fr", md: "repeat(5, minmax(0, 1fr))" }}
        gap="4"
        paddingBlock="3"
      >
        <Choose label="Film" value={film} options={named(kit.films)} onChange={setFilm} />
        <Choose
          label="Pinhole"
          value={pinhole}
          options={named(kit.pinholes)}
          onChange={setPinhole}
        />
        <Choose label="Lens" value={lens} options={named(kit.lenses)} onChange={setLens} />
        {places.length > 0 && (
          <>
            <Choose
              label="Outing's place"
              value={outing}
              options={places.map((each) => ({
                value: each.outing.id,
                label: each.outing.place || each.outing.title,
              }))}
              onChange={setOuting}
            />
            <Entry label="Month" type="month" value={month} onText={setMonth} />
          </>
        )}
        <Entry
          label="Meter dial across, mm"
          inputMode="decimal"
          value={diameter}
          onText={setDiameter}
        />
        <Entry label="One stop on its rim, mm" inputMode="decimal" value={stop} onText={setStop} />
      </Grid>
      <ul>
        {pinhole && film && (
          <Card
            name="Pinhole exposure chart"
            what="the meter's time at f/22 → this pinhole's time on this film"
            path={`pinhole`}
            query={{ pinhole_id: pinhole, film_id: film }}
            csv
          />
        )}
        {pinhole && film && (
          <Card
            name="Pinhole times by the sky"
            what="bright sun, hazy, cloudy, overcast → this pinhole's time on this film"
            path="sky"
            query={{ pinhole_id: pinhole, film_id: film }}
            csv
          />
        )}
        {film && (
          <Card
            name="Long times"
            what="metered → to give, on this film"
            path="reciprocity"
            query={{ film_id: film }}
            csv
          />
        )}
        {lens && (
          <>
            <Card
              name="Bellows table"
              what="draw → factor and stops, for this lens"
              path="bellows"
              query={{ lens_id: lens }}
              csv
            />
            <Card
              name="Bellows target"
              what="a square to lay in the picture, and its ruler"
              path="target/bellows"
              query={{ lens_id: lens }}
            />
            <Card
              name="Depth and tilt"
              what="aperture → focus spread it holds, from where to the horizon; tilt by its hinge"
              path="depth"
              query={{ lens_id: lens }}
              csv
            />
          </>
        )}
        {film && (
          <Card
            name="Night card"
            what="street, floodlight, moon → time at f/8 on this film; stars with this lens"
            path="night"
            query={{ film_id: film, lens_id: lens }}
            csv
          />
        )}
        {outing && (
          <Card
            name="Light of the month"
            what="dawn, low sun, dusk and moon, day by day, over the outing's place"
            path="light"
            query={{ outing_id: outing, begin: midnight(`${month}-01`) }}
            csv
          />
        )}
        {kit.recipes.length > 0 && (
          <Card
            name="Developing times for the wall"
            what="every film in its recipes, by the temperature of the developer"
            path="wall/times"
            query={{}}
            csv
          />
        )}
        <Card
          name="Zone scale for a meter dial"
          what="eleven greys, one stop apart along the rim"
          path="dial/zones"
          query={{ diameter_mm: diameter, stop_mm: stop }}
        />
      </ul>
    </Box>
  );
}

function Card({
  name,
  what,
  path,
  query,
  csv,
}: {
  name: string;
  what: string;
  path: string;
  query: Record<string, string>;
  csv?: boolean;
}) {
  const asked = new URLSearchParams(query);
  return (
    <Flex
      as="li"
      borderBottom="1px solid"
      borderColor="line"
      align="center"
      gap="4"
      minHeight="48px"
      wrap="wrap"
    >
      <Box flex="1" minWidth="220px">
        <Box fontWeight={550}>{name}</Box>
        <Small>{what}</Small>
      </Box>
      <FileLink href={`/api/cards/${path}.pdf?${asked}`} aside>
        {name} as PDF
      </FileLink>
      {csv && (
        <FileLink href={`/api/cards/${path}.csv?${asked}`} label={`${name} as CSV`}>
          as CSV
        </FileLink>
      )}
    </Flex>
  );
}
