import { Box } from "@chakra-ui/react";
import { Link } from "wouter";
import { RoomHeader } from "../shared/RoomHeader";

export function Lost() {
  return (
    <>
      <RoomHeader title="Nothing here" />
      <Box as="main" padding="6">
        There is no room at this address. <Link to="/outing">Back to the outing</Link>
      </Box>
    </>
  );
}
