import { Box, chakra, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { named } from "../../components/Choose";
import { OFFERED } from "../../service/service";
import { indicesQuery, outingNamesQuery, type Sought } from "./queries";
import { WordSelect } from "./WordSelect";

const Day = chakra("input", {
  base: {
    minHeight: "44px",
    width: "124px",
    background: "transparent",
    color: "ink",
    textDecoration: "underline dashed",
    textDecorationColor: "dash",
    textUnderlineOffset: "6px",
  },
});

const NONE: never[] = [];

/** What is shown, as a sentence whose words are changed in place. */
export function Filters({
  sought,
  seek,
  clear,
  ready,
}: {
  /** what there is to choose is asked once the lines are there */
  ready: boolean;
  sought: Sought;
  seek: (more: Sought) => void;
  clear: () => void;
}) {
  const kit = useQuery(kitQuery).data;
  // a thousand outings to choose from come after the lines of the log
  const outings = useDeferredValue(
    useQuery({ ...outingNamesQuery, enabled: ready }).data ?? NONE,
    NONE,
  );
  const films = new Map((kit?.films ?? []).map((each) => [each.id, each.name]));
  const indices = useQuery({ ...indicesQuery, enabled: ready }).data ?? [];
  const optics = [
    ...named(kit?.lenses).map((each) => ({ ...each, value: `lens ${each.value}` })),
    ...named(kit?.pinholes).map((each) => ({ ...each, value: `pinhole ${each.value}` })),
  ];
  const through = sought.lens_id
    ? `lens ${sought.lens_id}`
    : sought.pinhole_id
      ? `pinhole ${sought.pinhole_id}`
      : "";
  const chooseOptics = (value: string) => {
    const [kind, ...id] = value.split(" ");
    const chosen = id.join(" ");
    seek({
      lens_id: kind === "lens" ? chosen : "",
      pinhole_id: kind === "pinhole" ? chosen : "",
    });
  };
  return (
    <Flex as="fieldset" wrap="wrap" columnGap="1.5" align="center" color="ink2" fontSize="15px">
      <Box as="legend" srOnly>
        What is shown
      </Box>
      on
      <WordSelect
        label="Film"
        any="any film"
        value={sought.film_id ?? ""}
        options={named(kit?.films)}
        choose={(film_id) => seek({ film_id })}
      />
      through
      <WordSelect
        label="Lens or pinhole"
        any="any lens or pinhole"
        value={through}
        options={optics}
        choose={chooseOptics}
      />
      with
      <WordSelect
        label="Filter"
        any="any filter"
        value={sought.filter_id ?? ""}
        options={named(kit?.filters)}
        choose={(filter_id) => seek({ filter_id })}
      />
      for
      <WordSelect
        label="Development"
        any="any N"
        value={sought.n ?? ""}
        options={OFFERED.sought_n}
        choose={(n) => seek({ n })}
      />
      in
      <WordSelect
        label="Developer"
        any="any developer"
        value={sought.recipe_id ?? ""}
        options={(kit?.recipes ?? []).map((each) => ({
          value: each.id,
          label: [films.get(each.film_id), each.name].filter(Boolean).join(", "),
        }))}
        choose={(recipe_id) => seek({ recipe_id })}
      />
      at
      <WordSelect
        label="Exposure index"
        any="any EI"
        value={sought.ei ?? ""}
        options={indices.map((ei) => ({ value: String(ei), label: `EI ${ei}` }))}
        choose={(ei) => seek({ ei })}
      />
      <WordSelect
        label="Showed"
        any="however it came out"
        value={sought.showed ?? ""}
        options={OFFERED.sought_showed}
        choose={(showed) => seek({ showed })}
      />
      of
      <WordSelect
        label="Outing"
        any="any outing"
        value={sought.outing_id ?? ""}
        options={outings.map(({ id, title, day }) => ({
          value: id,
          label: [title, day].filter(Boolean).join(", "),
        }))}
        choose={(outing_id) => seek({ outing_id })}
      />
      <WordSelect
        label="State"
        any="any state"
        value={sought.state ?? ""}
        options={OFFERED.sought_states}
        choose={(state) => seek({ state })}
      />
      from
      <Day
        type="date"
        aria-label="From day"
        value={sought.day_from ?? ""}
        onChange={(event) => seek({ day_from: event.target.value })}
      />
      to
      <Day
        type="date"
        aria-label="To day"
        value={sought.day_to ?? ""}
        onChange={(event) => seek({ day_to: event.target.value })}
      />
      {Object.keys(sought).length > 0 && (
        <Button variant="word" color="ink2" marginLeft="2" onClick={clear}>
          show all
        </Button>
      )}
    </Flex>
  );
}
