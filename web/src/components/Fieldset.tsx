import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** Fields that belong together, under what they are about. */
export function Fieldset({ legend, children }: { legend: ReactNode; children: ReactNode }) {
  return (
    <Box as="fieldset">
      <Box as="legend" fontSize="14px" color="ink2" paddingBottom="1">
        {legend}
      </Box>
      {children}
    </Box>
  );
}
