import { Box, Flex } from "@chakra-ui/react";
import { Choose } from "../../../components/Choose";
import { count } from "../../../components/count";
import { Small } from "../../../components/text";
import { offered } from "../../../shared/offered";
import type { Scene } from "../queries";
import { Choice } from "./Choice";
import type { ChoicesProps, WordProps } from "./props";
import { Empty, Refused } from "./Said";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

export function FilterWord({ scene, kit, edit }: WordProps) {
  const names = scene.filter_ids.map(
    (id) => kit.filters.find((each) => each.id === id)?.name ?? "?",
  );
  return (
    <Word label="Filter" plain={!names.length} value={names.join(" + ") || "no filter"}>
      {(close) => <FilterChoices scene={scene} kit={kit} edit={edit} close={close} />}
    </Word>
  );
}

function FilterChoices({ scene, kit, edit, close }: ChoicesProps) {
  const { keep, problem } = useKeep(edit, close);
  if (!kit.filters.length) return <Empty what="filter" />;
  const toggled = (id: string) =>
    scene.filter_ids.includes(id)
      ? scene.filter_ids.filter((each) => each !== id)
      : [...scene.filter_ids, id];
  // one that does not go on this lens is not offered; one that is on stays to be taken off
  const fits = ({ id }: { id: string }) =>
    !scene.lens_id || kit.goes_on[id]?.includes(scene.lens_id) || scene.filter_ids.includes(id);
  const without = offered(kit.filters).filter((each) => !fits(each)).length;
  return (
    <Flex direction="column" gap="1">
      <Choice
        name="none"
        chosen={!scene.filter_ids.length}
        onChoose={() => keep({ kind: "filters", filter_ids: [] })}
      />
      {offered(kit.filters, ...scene.filter_ids)
        .filter(fits)
        .map((each) => (
          <Choice
            key={each.id}
            name={each.name}
            detail={kit.amounts[each.id] ?? ""}
            chosen={scene.filter_ids.includes(each.id)}
            onChoose={() => keep({ kind: "filters", filter_ids: toggled(each.id) })}
          />
        ))}
      {without > 0 && (
        <Small paddingTop="1">
          {count(without, "filter")} of the kit not offered: another thread or other lenses.
        </Small>
      )}
      <Box borderTop="1px solid" borderColor="line" paddingTop="3" marginTop="2">
        <Choose
          label="Light"
          value={scene.light ?? "daylight"}
          options={[
            { value: "daylight", label: "daylight" },
            { value: "tungsten", label: "tungsten, where a filter's factor differs" },
          ]}
          onChange={(value) => keep({ kind: "light", light: value as Scene["light"] })}
        />
      </Box>
      <Refused text={problem} />
    </Flex>
  );
}
