import { Box } from "@chakra-ui/react";
import { Quiet } from "../../components/text";
import type { ScanRead } from "./queries";

/** What was read under the marks, with how sure it is. */
export function DensitiesRead({ read }: { read: ScanRead }) {
  return (
    <Box aria-live="polite" paddingTop="3">
      <Box as="ol" display="flex" flexWrap="wrap" columnGap="5" aria-label="Densities read">
        {read.patches.map((each) => (
          <Box as="li" key={each.id} fontSize="15px" listStyleType="none">
            <Box as="span" color="ink2">
              {each.id}
            </Box>{" "}
            <b>{each.density_text}</b>
            <Box as="span" color="ink2">
              {" "}
              {each.doubt_text}
            </Box>
          </Box>
        ))}
      </Box>
      {read.fog_text && <Quiet>Clear film {read.fog_text}</Quiet>}
      {read.says.map((each) => (
        <Box key={each} color="ink2">
          {each}
        </Box>
      ))}
    </Box>
  );
}
