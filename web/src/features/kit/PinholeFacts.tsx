import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { Small } from "../../components/text";

/** What the hole and its distance make of this format, as they are typed. */
export function PinholeFacts({
  optics,
  format,
}: {
  optics: Schemas["Pinhole"];
  format: [number, number];
}) {
  const asked = useDeferredValue({ optics, format_mm: format });
  const { data } = useQuery({
    ...question("kit_facts_of_pinhole", { body: asked }),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (!data) return null;
  const row = ({ name, text, beside }: Schemas["Fact"]) => (
    <Grid
      key={name}
      templateColumns="1fr auto"
      borderBottom="1px solid"
      borderColor="line"
      paddingBlock="1"
      color={beside ? "ink2" : "ink"}
      fontSize={beside ? "14px" : "15px"}
    >
      <span>{name}</span>
      <span>{text}</span>
    </Grid>
  );
  return (
    <Box aria-live="polite">
      {data.facts.filter((each) => !each.beside).map(row)}
      <Small paddingTop="2">Best diameter, by rule, at 550 nm:</Small>
      {data.facts.filter((each) => each.beside).map(row)}
      {data.caution && (
        <Box fontSize="14px" color="ochre" paddingTop="2">
          {data.caution}
        </Box>
      )}
    </Box>
  );
}
