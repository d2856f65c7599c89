import { Box } from "@chakra-ui/react";
import type { ScanRead } from "./queries";

/** What was read under the marks, with how sure it is. */
export function DensitiesRead({ read }: { read: ScanRead }) {
  return (
    <Box aria-live="polite" paddingTop="3">
      <Box as="ol" display="flex" flexWrap="wrap" columnGap="5" aria-label="Densities read">
        {read.samples.map((each) => (
          <Box as="li" key={each.id} fontSize="15px" listStyleType="none">
            <Box as="span" color="ink2">
              {each.id}
            </Box>{" "}
            <b>{each.density === null ? "none" : each.density.toFixed(2)}</b>
            {each.uncertainty !== null && (
              <Box as="span" color="ink2">
                {" "}
                ±{each.uncertainty.toFixed(2)}
              </Box>
            )}
          </Box>
        ))}
      </Box>
      {read.base_fog != null && <Box color="ink2">Clear film {read.base_fog.toFixed(2)}</Box>}
      {read.says.map((each) => (
        <Box key={each} color="ink2">
          {each}
        </Box>
      ))}
    </Box>
  );
}
