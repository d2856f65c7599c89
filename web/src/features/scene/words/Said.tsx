import { Box } from "@chakra-ui/react";
import { Link } from "wouter";

export function Refused({ text }: { text: string | null }) {
  if (!text) return null;
  return (
    <Box role="alert" color="brick" fontSize="14px" fontWeight={550}>
      {text}
    </Box>
  );
}

export function Empty({ what }: { what: string }) {
  return (
    <Box>
      There is no {what} in the kit yet. <Link to="/kit">Add one in Kit</Link>
    </Box>
  );
}
