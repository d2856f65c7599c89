import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { kitQuery } from "../api/queries";
import { Tick } from "../components/Tick";
import { Small } from "../components/text";
import { offered } from "./offered";

/** The bottles a run uses up: those that serve run after run, until others are ticked. */
export function useBottles() {
  const kit = useQuery(kitQuery).data;
  const all = offered(kit?.bottles);
  const [taken, setTaken] = useState<Record<string, boolean>>({});
  const chosen = all.filter((each) => taken[each.id] ?? kit?.reused.includes(each.kind));
  const take = (id: string, wanted: boolean) => setTaken({ ...taken, [id]: wanted });
  return { all, chosen, take };
}

/** The bottles there are, ticked when they are used. */
export function Bottles({ bottles }: { bottles: ReturnType<typeof useBottles> }) {
  if (bottles.all.length === 0) return null;
  return (
    <Flex as="fieldset" columnGap="5" wrap="wrap">
      <Box as="legend" fontSize="14px" color="ink2">
        Use these bottles
      </Box>
      {bottles.all.map((each) => (
        <Tick
          key={each.id}
          on={bottles.chosen.includes(each)}
          set={(on) => bottles.take(each.id, on)}
        >
          {each.name}
          <Small as="span">
            {each.capacity_rolls == null
              ? each.kind
              : `${each.used_rolls} of ${each.capacity_rolls} rolls`}
          </Small>
        </Tick>
      ))}
    </Flex>
  );
}
