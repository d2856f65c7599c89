import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { ChevronDown } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Link } from "wouter";
import { holdersQuery, kitQuery, readyQuery, rollsQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { Quiet, Small } from "../../components/text";
import { FilmTile } from "../../shared/drawn/FilmTile";
import { TimeBlocks } from "../../shared/drawn/TimeBlocks";
import { darkroomQuery } from "../../shared/runs";

/** Today at a glance: film that can be exposed, and what is due in the darkroom. */
export function Glance({ narrow }: { narrow: boolean }) {
  const ready = useQuery(readyQuery);
  const films = useQuery(kitQuery).data?.films ?? [];
  const holders = useQuery(holdersQuery);
  const rolls = useQuery(rollsQuery);
  const loaded = (ready.data ?? []).filter((each) => each.state === "loaded");
  const kinds = films.filter((film) => loaded.some((each) => each.film_id === film.id));
  const waiting = useQuery(darkroomQuery("20", "C")).data;
  const pieces = (waiting?.groups ?? []).flatMap((group) =>
    group.sheets.flatMap((sheet) => sheet.piece_ids),
  ).length;
  const due = [
    pieces > 0 && `${count(pieces, "sheet")} to develop`,
    ...(waiting?.undecided ?? []).map(({ text }) => `${text} has no development`),
  ].filter(Boolean);
  const nothing = holders.data?.length === 0 && rolls.data?.length === 0;
  const [open, setOpen] = useState(false);
  const short = [
    ready.data && `${loaded.length} unexposed`,
    waiting && (pieces > 0 ? `${pieces} to develop` : "nothing to develop"),
  ].filter(Boolean);
  // until it is known how much there is, what it is about
  const said = short.join(" · ") || "In the bag, and due";
  if (narrow && !open) return <Folded open={false} said={said} turn={() => setOpen(true)} />;
  return (
    <Flex direction="column" gap="5">
      {narrow && <Folded open said={said} turn={() => setOpen(false)} />}
      <Part title="In the bag">
        {nothing && (
          <>
            No holders yet. <Link to="/film">Number them in Film</Link>
          </>
        )}
        {!nothing && ready.data && !loaded.length && (
          <>
            No unexposed film is left. <Link to="/film">Load some in Film</Link>
          </>
        )}
        {kinds.map((film) => {
          const of = loaded.filter((each) => each.film_id === film.id);
          const rolls = of.filter((each) => each.roll_number != null);
          const numbers = [...new Set(rolls.map((each) => each.roll_number))];
          return (
            <Box key={film.id} paddingBlock="1.5">
              <Flex justify="space-between" gap="3">
                <b>{film.name}</b>
                <Small>{of.length} unexposed</Small>
              </Flex>
              <Flex gap="1" wrap="wrap" paddingTop="1" align="center">
                {of
                  .filter((each) => each.roll_number == null)
                  .map((each) => (
                    <FilmTile key={each.piece_id} where={each.where} state={each.state} />
                  ))}
                {numbers.map((number) => (
                  <RollLeft
                    key={number}
                    number={number}
                    left={rolls.filter((each) => each.roll_number === number).length}
                  />
                ))}
              </Flex>
            </Box>
          );
        })}
      </Part>
      <Part title="Due in the darkroom">
        {due.length > 0 ? (
          <>
            <TimeBlocks groups={waiting?.groups ?? []} />
            <Box paddingTop="1">
              {due.join("; ")}. <Link to="/darkroom">Open Darkroom</Link>
            </Box>
          </>
        ) : (
          <Quiet>Nothing to develop.</Quiet>
        )}
      </Part>
      <Small>Mind footing, cold and tides; check access.</Small>
    </Flex>
  );
}

/** On a phone all of it is a line until it is asked for. */
function Folded({ open, said, turn }: { open: boolean; said: string; turn: () => void }) {
  return (
    <Button
      variant="quiet"
      width="100%"
      justifyContent="space-between"
      paddingInline="0"
      aria-expanded={open}
      onClick={turn}
    >
      {said}
      <ChevronDown size={18} aria-hidden style={{ transform: open ? "rotate(180deg)" : "none" }} />
    </Button>
  );
}

/** What is left of a loaded roll: a strip of its open frames. */
function RollLeft({ number, left }: { number: number | null | undefined; left: number }) {
  return (
    <Box
      as="span"
      border="2px solid"
      borderColor="ink"
      background="slideLight"
      color="slideDark"
      height="34px"
      paddingInline="2"
      display="inline-flex"
      alignItems="center"
      fontSize="13px"
      fontWeight={650}
    >
      roll {number}, {count(left, "frame")}
    </Box>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box>
      <Box as="h2" fontSize="13px" color="ink2" paddingBottom="1">
        {title}
      </Box>
      {children}
    </Box>
  );
}
