import { Box } from "@chakra-ui/react";
import type { Refusal } from "../api/refusal";
import { useRefused, useSaid } from "./refused";

/** What went wrong, where no field of the form says it: a refusal, or a sentence. */
export function Problem({
  of = null,
  field,
  text = null,
}: {
  of?: Refusal | null;
  /** says what is refused of this field of the form, which has no place of its own */
  field?: string;
  text?: string | null;
}) {
  const here = useRefused(field);
  const saidThere = useSaid(of);
  const refused = of && of.code !== "conflict" && !saidThere;
  const said = refused ? of.message : (here ?? text);
  if (!said) return null;
  return (
    <Box role="alert" color="brick" fontWeight={550}>
      {said}
    </Box>
  );
}
