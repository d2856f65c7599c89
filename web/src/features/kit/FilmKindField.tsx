import { Box, Flex } from "@chakra-ui/react";
import { skipToken, useQuery } from "@tanstack/react-query";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Small } from "../../components/text";
import { OFFERED } from "../../service/service";

type Kind = Schemas["FilmKindRequest"]["kind"];

/** The kind of a film, and what it usually is: taken over at a touch, never by itself. */
export function FilmKindField({
  value,
  onChange,
  onRecord,
  problem,
}: {
  value: Kind | "";
  onChange: (value: unknown) => void;
  onRecord: (values: Record<string, unknown>) => void;
  problem: string | null;
}) {
  const asked = question("kit_said_of_kind", { query: { kind: value || "panchromatic" } });
  const { data } = useQuery({
    ...asked,
    queryFn: value ? asked.queryFn : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <Flex direction="column" gap="2">
      <Choose
        label="Kind"
        value={value}
        options={OFFERED.film_kinds}
        onChange={(kind) => onChange(kind || null)}
        problem={problem}
      />
      {value && data && (
        <Small aria-live="polite">
          {data.facts
            .filter((each) => !each.beside)
            .map((each) => (
              <Flex
                key={each.name}
                justify="space-between"
                gap="4"
                borderBottom="1px solid"
                borderColor="line"
              >
                <span>{each.name}</span>
                <Box as="span" textAlign="right" color="ink">
                  {each.text}
                </Box>
              </Flex>
            ))}
          <Box paddingTop="1">
            {data.facts
              .filter((each) => each.beside)
              .map((each) => `${each.name}: ${each.text}`)
              .join("; ")}
            .
          </Box>
          <Box paddingTop="1">{data.note}</Box>
          <Box paddingTop="1" color="ochre">
            {data.dark} Follow the maker's instructions.
          </Box>
          <Button
            variant="word"
            onClick={() =>
              onRecord({
                "textural_range.0": data.range_typed[0],
                "textural_range.1": data.range_typed[1],
                law: data.law,
                "provenance.textural_range": data.source,
                "provenance.law": data.source,
              })
            }
          >
            Take its usual range and reciprocity
          </Button>
        </Small>
      )}
    </Flex>
  );
}
