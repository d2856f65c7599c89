import { Box } from "@chakra-ui/react";
import { Button } from "../components/Button";
import { RoomHeader } from "../shared/RoomHeader";

/** A room that could not be loaded or failed: what was typed is still kept, and it is tried again. */
export function Broken() {
  return (
    <>
      <RoomHeader title="This room did not open" />
      <Box as="main" padding="6" maxWidth="560px" role="alert">
        Emulsa did not answer, or the page is older than the program. Nothing you typed or logged is
        lost.
        <Box paddingTop="4">
          <Button variant="main" onClick={() => window.location.reload()}>
            Open it again
          </Button>
        </Box>
      </Box>
    </>
  );
}
