import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link, useParams } from "wouter";
import { count } from "../../components/count";
import { Empty } from "../../components/Empty";
import { Small } from "../../components/text";
import { History } from "../../shared/History";
import { Opened } from "../../shared/Opened";
import { RoomHeader } from "../../shared/RoomHeader";
import { type FilmPageView, filmPageQuery } from "./queries";
import { Tried } from "./Tried";
import { Uses } from "./Uses";

const TOGETHER = 6;

/** One film: what was done with it, by developer and index, and what it is good for. */
export function FilmPage() {
  const { id = "" } = useParams();
  const page = useQuery(filmPageQuery(id));
  return (
    <Opened query={page} title="Film" back={["/bench", "Back to the bench"]}>
      {(view) => <Told view={view} />}
    </Opened>
  );
}

function Told({ view }: { view: FilmPageView }) {
  const { film, grid } = view;
  // one picture of every cell: what the indices and developers come to, at a glance
  const firsts = grid.rows
    .flatMap((row) => row.cells.map((cell) => cell?.picture_ids[0]))
    .filter((each) => each !== undefined)
    .slice(0, TOGETHER);
  const far = view.developers.filter((each) => each.latitudes.length > 0);
  const most = Math.max(1, ...view.used.map((each) => each.count));
  return (
    <>
      <RoomHeader title={film.name} sub={view.facts.join(" · ")}>
        <Box display={{ base: "none", md: "block" }}>
          <Link to="/bench">Back to the bench</Link>
        </Box>
      </RoomHeader>
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        <Box display={{ base: "block", md: "none" }} color="ink2" paddingBottom="3">
          {view.facts.join(" · ")}
        </Box>
        <Part title="What was done with it">
          {grid.rows.length === 0 ? (
            <Empty title="Nothing developed yet.">
              Once film of this kind has been through a run, its pictures, words and minutes stand
              here by developer and index.
            </Empty>
          ) : (
            <>
              <Tried view={view} />
              {firsts.length > 1 && (
                <Box paddingTop="3">
                  <Link to={`/log/together?of=${firsts.join(",")}`}>
                    Look at one of each, side by side
                  </Link>
                </Box>
              )}
            </>
          )}
        </Part>
        <Grid
          templateColumns={{ base: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" }}
          columnGap="10"
          rowGap="8"
          paddingTop="8"
        >
          <Part title="Good for">
            <Uses film={film} version={view.version} />
          </Part>
          <Flex direction="column" gap="8">
            {far.length > 0 && (
              <Part title="How far it prints">
                {far.map((each) => (
                  <Box key={each.id} paddingBottom="1">
                    <Small>{each.name}</Small>
                    {each.latitudes.map((text) => (
                      <Box key={text}>{text}</Box>
                    ))}
                  </Box>
                ))}
              </Part>
            )}
            <Part title="Films of the last year">
              <Box as="ul">
                {view.used.map((each) => (
                  <Grid
                    as="li"
                    key={each.film_id}
                    templateColumns="minmax(0, 9rem) 1fr auto"
                    gap="3"
                    alignItems="center"
                    minHeight={{ base: "44px", md: "32px" }}
                  >
                    {each.film_id === film.id ? (
                      <b>{each.name}</b>
                    ) : (
                      <Link to={`/bench/film/${each.film_id}`}>{each.name}</Link>
                    )}
                    <Box
                      aria-hidden
                      height="10px"
                      background={each.film_id === film.id ? "accent" : "edge"}
                      width={`${(100 * each.count) / most}%`}
                    />
                    <Small>{count(each.count, "exposure")}</Small>
                  </Grid>
                ))}
              </Box>
            </Part>
            {film.note && <Part title="Note">{film.note}</Part>}
            <Box>
              <History id={film.id} />
            </Box>
          </Flex>
        </Grid>
      </Box>
    </>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box as="section" aria-label={title}>
      <Box as="h2" fontSize="17px" fontWeight={600} paddingBottom="2">
        {title}
      </Box>
      {children}
    </Box>
  );
}
