import { Box } from "@chakra-ui/react";
import type { Refusal } from "../api/refusal";

/** What went wrong, where no field stands beside it: a refusal of none of ``fields``, or a sentence. */
export function Problem({
  of = null,
  fields = [],
  text = null,
}: {
  of?: Refusal | null;
  fields?: string[];
  text?: string | null;
}) {
  const refused = of && of.code !== "conflict" && !fields.includes(of.field ?? "");
  const said = refused ? of.message : text;
  if (!said) return null;
  return (
    <Box role="alert" color="brick" fontWeight={550}>
      {said}
    </Box>
  );
}
