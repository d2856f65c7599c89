import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { holdersQuery, kitQuery, rollsQuery } from "../../api/queries";
import { count } from "../../components/count";
import { darkroomQuery } from "../../shared/runs";
import { exposedQuery, readyQuery } from "./queries";

/** Today at a glance: film that can be exposed, what was exposed, what is due in the darkroom. */
export function Glance({ outingId }: { outingId: string }) {
  const ready = useQuery(readyQuery);
  const films = useQuery(kitQuery).data?.films ?? [];
  const holders = useQuery(holdersQuery);
  const rolls = useQuery(rollsQuery);
  const exposed = useQuery(exposedQuery(outingId));
  const loaded = (ready.data ?? []).filter((each) => each.state === "loaded");
  const kinds = films.filter((film) => loaded.some((each) => each.film_id === film.id));
  const waiting = useQuery(darkroomQuery("20", "C")).data;
  const pieces = (waiting?.groups ?? []).flatMap((group) =>
    group.sheets.flatMap((sheet) => sheet.piece_ids),
  ).length;
  const undecided = waiting?.undecided.length ?? 0;
  const due = [
    pieces && `${pieces} to develop`,
    undecided && `${count(undecided, "roll")} to decide`,
  ].filter(Boolean);
  const nothing = holders.data?.length === 0 && rolls.data?.length === 0;
  return (
    <Flex direction="column" gap="5">
      <Part title="Loaded">
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
          const sides = of.filter((each) => each.roll_number == null);
          const frames = of.filter((each) => each.roll_number != null);
          const numbers = [...new Set(frames.map((each) => each.roll_number))];
          return (
            <Box key={film.id} borderBottom="1px solid" borderColor="line" paddingBlock="2">
              <Flex justify="space-between">
                <b>{film.name}</b>
                <span>{of.length} unexposed</span>
              </Flex>
              <Box color="ink2" fontSize="14px">
                {[
                  sides.length && `sides ${sides.map((each) => each.where).join(", ")}`,
                  ...numbers.map(
                    (number) =>
                      `roll ${number}, ${count(frames.filter((each) => each.roll_number === number).length, "frame")}`,
                  ),
                ]
                  .filter(Boolean)
                  .join("; ")}
              </Box>
            </Box>
          );
        })}
      </Part>
      <Part title="Exposed on this outing">
        {exposed.data?.lines.length === 0 && <Box color="ink2">Nothing yet.</Box>}
        {exposed.data?.lines.map((line) => (
          <Flex
            key={line.exposure_id}
            gap="3"
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="1.5"
            align="baseline"
          >
            <Box fontWeight={650} minWidth="42px">
              {line.where}
            </Box>
            <Box flex="1" lineHeight={1.3}>
              <Link
                to={`/log/${line.exposure_id}`}
                aria-label={`${line.scene_title}, ${line.where}`}
              >
                {line.scene_title}
              </Link>
              <Box color="ink2" fontSize="14px">
                {[line.set_text, line.n_text, line.part_text].filter(Boolean).join(", ")}
              </Box>
            </Box>
          </Flex>
        ))}
        {(exposed.data?.total ?? 0) > (exposed.data?.lines.length ?? 0) && (
          <Box paddingTop="1" fontSize="14px">
            <Link to={`/log?outing_id=${outingId}`}>All {exposed.data?.total} in the log</Link>
          </Box>
        )}
      </Part>
      <Part title="Due in the darkroom">
        {due.length ? (
          <>
            {due.join(", ")}. <Link to="/darkroom">See the times</Link>
          </>
        ) : (
          <Box color="ink2">Nothing to develop.</Box>
        )}
      </Part>
      <Box fontSize="14px" color="ink2">
        Mind footing, cold and tides; check access.
      </Box>
    </Flex>
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
