import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Small } from "../../components/text";
import { learnedQuery } from "../../shared/learned";
import { useWrite } from "../../shared/useWrite";
import { RangeLine } from "./Glimpse";
import { type Learned, rateAsLearned, takeLearned } from "./queries";

/** What the judged negatives of one recipe say; each can be left out, and nothing changes by itself. */
export function LearnedPart({ learned: all }: { learned: Learned }) {
  const [without, setWithout] = useState<string[]>([]);
  const [open, setOpen] = useState(false);
  const weighed = useQuery({
    ...learnedQuery(all.recipe_id, without),
    enabled: without.length > 0,
    placeholderData: (before: Learned | undefined) => before,
  }).data;
  const learned = without.length > 0 ? (weighed ?? all) : all;
  const { write, problem, busy } = useWrite();
  const kit = useQuery(kitQuery).data;
  const film = kit?.recipes.find((each) => each.id === all.recipe_id)?.film_id ?? "";
  const versionOf = (id: string) => kit?.versions[id] ?? "";
  const { speed, development } = learned.answer;
  const turn = (id: string) =>
    setWithout((before) =>
      before.includes(id) ? before.filter((each) => each !== id) : [...before, id],
    );
  return (
    <Box
      as="article"
      aria-label={`${all.film_name}, ${all.recipe_name}`}
      paddingBlock="3"
      borderBottom="1px solid"
      borderColor="line"
    >
      <Box fontWeight={550}>
        {film ? <Link to={`/bench/film/${film}`}>{all.film_name}</Link> : all.film_name},{" "}
        {all.recipe_name}
      </Box>
      <Box aria-live="polite">
        <Flex columnGap="8" rowGap="3" wrap="wrap" paddingBlock="2">
          {[learned.minutes_range, learned.ei_range].map(
            (range) =>
              range && (
                <Box key={range.what} flex="1 1 300px">
                  <RangeLine range={range} />
                </Box>
              ),
          )}
        </Flex>
        <Box color="ink2" fontSize="15px">
          {development.sentence} {speed.sentence}
        </Box>
        {learned.latitudes.map((each) => (
          <Box key={each} color="ink2" fontSize="15px">
            Bracket of {each}
          </Box>
        ))}
      </Box>
      <Flex gap="3" wrap="wrap" paddingTop="2">
        <Button
          variant="quiet"
          aria-expanded={open}
          aria-label={`${open ? "Hide negatives" : "Show negatives"} of ${all.film_name}, ${all.recipe_name}`}
          onClick={() => setOpen(!open)}
        >
          {open ? "Hide negatives" : "Show negatives"}
        </Button>
        {development.enough && development.minutes.length > 0 && (
          <Button
            disabled={busy || !kit}
            onClick={() =>
              void write(takeLearned(all.recipe_id, without, versionOf(all.recipe_id)))
            }
          >
            {learned.use_text}
          </Button>
        )}
        {speed.enough && (
          <Button
            disabled={busy || !kit}
            onClick={() => void write(rateAsLearned(all.recipe_id, without, versionOf(film)))}
          >
            {learned.rate_text}
          </Button>
        )}
      </Flex>
      <Problem of={problem} />
      {open && (
        <Box as="ul" aria-label="Negatives that count" paddingTop="2">
          <Small>
            Left out here for now; for good, with the reason, where the negative is judged.
          </Small>
          {all.negatives.map((each) => (
            <Box as="li" key={each.piece_id}>
              <Flex as="label" gap="3" align="center" minHeight="44px" cursor="pointer">
                <input
                  type="checkbox"
                  disabled={Boolean(each.left_out)}
                  checked={!each.left_out && !without.includes(each.piece_id)}
                  onChange={() => turn(each.piece_id)}
                />
                <Box>
                  <b>{each.label}</b> {each.scene}
                  <Box as="span" color="ink2">
                    {`: ${each.says}`}
                  </Box>
                </Box>
              </Flex>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
