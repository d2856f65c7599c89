import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { count } from "../../components/count";
import { Small } from "../../components/text";
import { boxesQuery } from "./queries";

/** Exposed sheets that left their holders: which box holds which of them. */
export function ExposedBoxes() {
  const boxes = useQuery(boxesQuery).data ?? [];
  if (!boxes.length) return null;
  return (
    <Box as="section" aria-label="Boxes of exposed film" paddingTop="6" maxWidth="720px">
      <Box as="h2" fontSize="13px" color="ink2">
        Boxes of exposed film
      </Box>
      <ul>
        {boxes.map((box) => (
          <Box as="li" key={box.name} borderBottom="1px solid" borderColor="line" paddingBlock="2">
            <b>{box.name}</b> · {count(box.sheets.length, "sheet")}
            <Small>{box.sheets.join(" · ")}</Small>
          </Box>
        ))}
      </ul>
    </Box>
  );
}
