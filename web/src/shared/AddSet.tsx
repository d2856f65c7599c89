import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { act } from "../api/acts";
import { newId } from "../api/newId";
import { kitQuery } from "../api/queries";
import { Button } from "../components/Button";
import { Problem } from "../components/Problem";
import { Quiet } from "../components/text";
import { useWrite } from "./useWrite";

export const addStarter = (key: string, id: string) =>
  act("kit_add_starter", { path: { key }, body: { id } });

/** A list that is empty offers, on the spot, what makes it full: the starter sets of its kind. */
export function AddSet({ empty, sets }: { empty: string; sets: string[] }) {
  const starters = useQuery(kitQuery).data?.starters ?? [];
  const { write, problem, busy } = useWrite();
  return (
    <Box fontSize="14px">
      <Quiet>{empty}</Quiet>
      <Flex gap="2" wrap="wrap" paddingTop="1">
        {starters
          .filter((each) => sets.includes(each.key))
          .map((each) => (
            <Button
              key={each.key}
              disabled={busy}
              onClick={() => void write(addStarter(each.key, newId()))}
            >
              Add: {each.title}
            </Button>
          ))}
      </Flex>
      <Problem of={problem} />
    </Box>
  );
}

export const TANK_SETS = ["tanks"];
export const BATH_SETS = ["tank-baths", "tray-baths"];
