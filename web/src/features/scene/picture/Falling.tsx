import { Box, Grid } from "@chakra-ui/react";
import { Quiet } from "../../../components/text";
import type { Seen } from "./queries";

/** How much of the picture falls where. */
export function Falling({ falling }: { falling: Seen["falling"] }) {
  return (
    <Box as="section" aria-label="How much of the picture falls where" paddingTop="1">
      {falling.map((each) => (
        <Grid
          key={each.text}
          templateColumns="minmax(150px, auto) 1fr 64px"
          columnGap="2"
          fontSize="13px"
          alignItems="center"
        >
          <Quiet>{each.text}</Quiet>
          <Box height="8px" width={`${100 * each.share}%`} background="ink2" />
          <Box textAlign="right">{each.share_text}</Box>
        </Grid>
      ))}
    </Box>
  );
}
