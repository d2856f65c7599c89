import { Box } from "@chakra-ui/react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { Small } from "../../components/text";

type Measured = Schemas["MeasuredSpeed"][];

/** The times a shutter really gives, as the bench found them. */
export function MeasuredField({
  shutter,
  problem,
}: {
  shutter: Schemas["Shutter"];
  problem: string | null;
}) {
  const rows = (shutter.measured as Measured) ?? [];
  return (
    <Box>
      <Small>Measured times</Small>
      <Box>
        {rows.length
          ? rows.map((row) => `${row.mark}: ${row.seconds} s`).join(", ")
          : "none: the marks are taken as right"}
      </Box>
      <Link to="/bench">Check the shutter on the bench</Link>
      {problem && (
        <Box role="alert" color="brick">
          {problem}
        </Box>
      )}
    </Box>
  );
}
