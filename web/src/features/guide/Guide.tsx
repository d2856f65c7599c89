import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Check, X } from "lucide-react";
import { Link } from "wouter";
import { act } from "../../api/acts";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";
import { wayQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Small } from "../../components/text";
import { useNarrow } from "../../components/useNarrow";
import { useWrite } from "../../shared/useWrite";

type SoFar = Schemas["SoFar"];

/** Where each step is really done. */
const DOES: Record<Schemas["Step"]["key"], (so_far: SoFar) => string> = {
  read: ({ scene_id }) => (scene_id ? `/scene/${scene_id}?do=type` : "/scene"),
  expose: ({ scene_id }) => `/scene/${scene_id}?do=expose`,
  recipe: ({ film_id }) => `/kit?do=recipe&film=${film_id ?? ""}`,
  develop: () => "/darkroom?do=run",
  judge: ({ exposure_id }) => `/log/${exposure_id}?do=judge`,
};

/** The guide through a first outing: five steps, each a link to where it is really done. */
export function Guide() {
  const way = useQuery(wayQuery).data;
  const narrow = useNarrow();
  const { write } = useWrite();
  const guide = useQuery(question("guide_read")).data;
  if (!guide?.steps.length || !way) return null;
  const putAway = () =>
    void write(
      act("preferences_put", {
        query: { base: way.version },
        body: { ...way.preferences, guide: false },
      }),
    );
  const away = (
    <Button variant="quiet" paddingInline="2" aria-label="Close the guide" onClick={putAway}>
      <X size={18} aria-hidden />
    </Button>
  );
  if (narrow) {
    const place = guide.steps.findIndex((each) => each.next);
    const step = guide.steps[place];
    if (!step) return null;
    return (
      <Flex
        as="aside"
        aria-label="First outing"
        align="center"
        background="accentSoft"
        paddingInline="4"
        minHeight="44px"
        fontSize="15px"
      >
        <Box color="ink2" paddingRight="2">
          {place + 1} of {guide.steps.length}
        </Box>
        <Box flex="1" fontWeight={600}>
          {place === 0 ? step.title : <Link to={DOES[step.key](guide.so_far)}>{step.title}</Link>}
        </Box>
        {away}
      </Flex>
    );
  }
  return (
    <Flex
      as="aside"
      aria-label="First outing"
      direction="column"
      width="196px"
      flex="0 0 auto"
      borderLeft="1px solid"
      borderColor="line"
      background="paper"
      padding="4"
      gap="1"
      overflow="auto"
    >
      <Flex align="center" justify="space-between">
        <Box as="h2" fontSize="15px" fontWeight={650}>
          First outing
        </Box>
        {away}
      </Flex>
      <ol>
        {guide.steps.map((step, place) => (
          <Box
            as="li"
            key={step.key}
            paddingBlock="3"
            borderTop={step.next ? "2px solid" : "1px solid"}
            borderColor={step.next ? "accent" : "line"}
            color={step.done ? "ink2" : "ink"}
          >
            <Flex align="center" gap="2" fontWeight={600} fontSize="15px">
              {step.done ? (
                <Check size={16} aria-label="done" />
              ) : (
                <Box as="span" minWidth="16px">
                  {place + 1}
                </Box>
              )}
              {step.next ? <Link to={DOES[step.key](guide.so_far)}>{step.title}</Link> : step.title}
            </Flex>
            {step.next && <Small paddingTop="1">{step.says}</Small>}
          </Box>
        ))}
      </ol>
    </Flex>
  );
}
