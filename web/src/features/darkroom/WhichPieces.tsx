import { Box } from "@chakra-ui/react";
import { Fieldset } from "../../components/Fieldset";
import type { Group } from "../../shared/runs";

/** Which pieces of a group are meant: all, until some are left out. */
export function WhichPieces({
  legend,
  group,
  left,
  setLeft,
}: {
  legend: string;
  group: Group;
  left: string[];
  setLeft: (left: string[]) => void;
}) {
  return (
    <Fieldset legend={legend}>
      {group.sheets.map((each) => (
        <Box
          as="label"
          key={each.exposure_id}
          display="flex"
          alignItems="center"
          gap="3"
          minHeight="44px"
          borderBottom="1px solid"
          borderColor="line"
        >
          <input
            type="checkbox"
            checked={!left.includes(each.exposure_id)}
            onChange={(event) =>
              setLeft(
                event.target.checked
                  ? left.filter((one) => one !== each.exposure_id)
                  : [...left, each.exposure_id],
              )
            }
          />
          <b>{each.where}</b> {[each.scene_title, each.part_text].filter(Boolean).join(", ")}
        </Box>
      ))}
    </Fieldset>
  );
}
