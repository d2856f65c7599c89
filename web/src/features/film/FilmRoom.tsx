import { Box, Flex } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import type { Refusal, Schemas } from "../../api/client";
import { holdersQuery, kitQuery } from "../../api/queries";
import { RoomHeader } from "../../app/RoomHeader";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { useKeptText } from "../../components/useKeptText";
import { HolderSheet } from "./HolderSheet";
import { loadSides, newHolder, putHolder } from "./queries";
import { SideMark } from "./SideMark";

type HolderView = Schemas["HolderView"];

export function FilmRoom() {
  const client = useQueryClient();
  const holders = useQuery(holdersQuery);
  const kit = useQuery(kitQuery);
  const [opened, setOpened] = useState<HolderView | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const add = async () => {
    try {
      const numbers = (holders.data ?? []).map((each) => each.holder.number);
      await putHolder(newHolder(Math.max(0, ...numbers) + 1));
      await client.invalidateQueries();
      setProblem(null);
    } catch (refusal) {
      setProblem((refusal as Refusal).message);
    }
  };
  const board = holders.data ?? [];
  return (
    <>
      <RoomHeader title="Film" sub={`${board.length} holders`}>
        <Button onClick={add} disabled={!holders.data}>
          Add a holder
        </Button>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        {(problem || holders.error) && (
          <Notice tone="refusal" live>
            {problem ?? holders.error?.message}
          </Notice>
        )}
        {holders.data && board.length === 0 && (
          <Box maxWidth="560px" paddingBottom="4">
            <Box fontSize="19px" fontWeight={600}>
              No holders yet.
            </Box>
            Add one for each double holder you own; its number is what you write on it.
          </Box>
        )}
        <Flex as="ul" wrap="wrap" columnGap="5" rowGap="6" aria-label="Holders">
          {board.map((each) => (
            <li key={each.holder.id}>
              <Button
                variant="quiet"
                paddingInline="0"
                fontSize="26px"
                fontWeight={650}
                minWidth="44px"
                justifyContent="flex-start"
                aria-label={`Holder ${each.holder.number}`}
                onClick={() => setOpened(each)}
              >
                {each.holder.number}
              </Button>
              <Flex gap="2">
                {each.sides.map((side) => (
                  <SideMark key={side.side} side={side} onOpen={() => setOpened(each)} />
                ))}
              </Flex>
              {each.holder.note && (
                <Box fontSize="13px" color="ink2" maxWidth="180px">
                  {each.holder.note}
                </Box>
              )}
            </li>
          ))}
        </Flex>
        <Box color="ink2" fontSize="14px" paddingTop="6">
          Open square = unexposed, bars = exposed, dashed = empty. In the bag: slide in with its
          unexposed side out; no phone and no lamp near open film.
        </Box>
        {board.length > 0 && kit.data && (
          <LoadLine films={kit.data.films.filter((each) => !each.archived)} />
        )}
      </Box>
      {opened && <HolderSheet view={opened} close={() => setOpened(null)} />}
    </>
  );
}

function LoadLine({ films }: { films: Schemas["Film"][] }) {
  const client = useQueryClient();
  const [sides, setSides] = useKeptText("load-sides");
  const [film, setFilm] = useState(films[0]?.id ?? "");
  const [problem, setProblem] = useState<string | null>(null);
  const load = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await loadSides(sides, film);
      await client.invalidateQueries();
      setSides("");
      setProblem(null);
    } catch (refusal) {
      setProblem((refusal as Refusal).message);
    }
  };
  if (!films.length) {
    return (
      <Box paddingTop="5">
        To load a holder, first <Link to="/kit">add a film in Kit</Link>.
      </Box>
    );
  }
  return (
    <Flex
      as="form"
      onSubmit={load}
      gap="3"
      align="flex-start"
      wrap="wrap"
      paddingTop="5"
      maxWidth="640px"
      aria-label="Load holders"
    >
      <Box flex="1 1 160px">
        <Entry
          label="Load sides"
          placeholder="3-4 6B"
          help="3 is both sides, 2B one, 3-4 several"
          value={sides}
          onChange={(event) => setSides(event.target.value)}
          problem={problem}
        />
      </Box>
      <Box flex="1 1 200px">
        <Choose
          label="with"
          value={film}
          options={films.map((each) => ({ value: each.id, label: each.name }))}
          onChange={setFilm}
        />
      </Box>
      <Button type="submit" variant="main" marginTop="25px">
        Load
      </Button>
    </Flex>
  );
}
