import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useNavigate } from "react-router";
import { newId, type Refusal, type Schemas } from "../../api/client";
import { holdersQuery, outingsQuery } from "../../api/queries";
import { RoomHeader } from "../../app/RoomHeader";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { dayText, today } from "./format";
import { OutingSheet } from "./OutingSheet";
import { beginScene } from "./queries";

type Outing = Schemas["Outing"];
type View = Schemas["OutingView"];

export function OutingRoom() {
  const outings = useQuery(outingsQuery);
  const [edited, setEdited] = useState<Outing | null>(null);
  const begin = () =>
    setEdited({ id: newId(), title: "", day: today(), place: "", conditions: "", note: "" });
  const [latest, ...earlier] = outings.data ?? [];
  return (
    <>
      <RoomHeader title="Outing" sub={latest ? latest.outing.title : undefined}>
        <Button onClick={begin}>New outing</Button>
      </RoomHeader>
      <Box flex="1" overflow="auto" minHeight="0">
        {outings.error && (
          <Box padding="6">
            <Notice tone="warning" live>
              {outings.error.message}
            </Notice>
          </Box>
        )}
        {outings.data && !latest && (
          <Flex
            as="main"
            direction="column"
            gap="3"
            padding="6"
            maxWidth="560px"
            align="flex-start"
          >
            <Box fontSize="19px" fontWeight={600}>
              Nothing here yet.
            </Box>
            <Box>
              An outing holds the scenes of a day. Before the first one, give{" "}
              <Link to="/kit">Kit</Link> your film, a lens or a pinhole, and{" "}
              <Link to="/film">Film</Link> your holders.
            </Box>
            <Button variant="main" onClick={begin}>
              Begin an outing
            </Button>
          </Flex>
        )}
        {latest && (
          <Grid
            templateColumns={{ base: "minmax(0,1fr)", md: "minmax(0,1fr) 356px" }}
            minHeight="100%"
          >
            <Box as="main" padding={{ base: "4", md: "6" }}>
              <OutingSection view={latest} edit={() => setEdited(latest.outing)} />
              {earlier.map((view) => (
                <Box key={view.outing.id} paddingTop="8">
                  <OutingSection view={view} edit={() => setEdited(view.outing)} />
                </Box>
              ))}
            </Box>
            <Box
              as="aside"
              aria-label="Film at a glance"
              borderStyle="solid"
              borderWidth="0"
              borderLeftWidth={{ md: "1px" }}
              borderTopWidth={{ base: "1px", md: "0" }}
              borderColor="line"
              background="sheet"
              padding={{ base: "4", md: "5" }}
            >
              <Loaded />
            </Box>
          </Grid>
        )}
      </Box>
      {edited && (
        <OutingSheet outing={edited} known={outings.data ?? []} close={() => setEdited(null)} />
      )}
    </>
  );
}

function OutingSection({ view, edit }: { view: View; edit: () => void }) {
  const { outing, scenes } = view;
  return (
    <section aria-label={outing.title}>
      <Flex align="baseline" gap="4" wrap="wrap">
        <Box as="h2" fontSize="24px" lineHeight={1.2}>
          {outing.title}
        </Box>
        <Button variant="word" color="ink2" onClick={edit}>
          change
        </Button>
      </Flex>
      <Box color="ink2">
        {[dayText(outing.day), outing.place, outing.conditions].filter(Boolean).join(" · ")}
      </Box>
      {outing.note && <Box paddingTop="1">{outing.note}</Box>}
      <Box as="ol" marginTop="4" borderTop="1px solid" borderColor="line">
        {scenes.map((scene, place) => (
          <Box as="li" key={scene.id} borderBottom="1px solid" borderColor="line">
            <Link to={`/scene/${scene.id}`} style={{ textDecoration: "none", color: "inherit" }}>
              <Flex
                align="baseline"
                gap="4"
                paddingBlock="3"
                minHeight="44px"
                _hover={{ color: "accent" }}
              >
                <Box color="ink2" width="20px">
                  {place + 1}
                </Box>
                <Box flex="1" fontSize="17px" fontWeight={550}>
                  {scene.title}
                </Box>
                <Box color="ink2" fontSize="14px" textAlign="right">
                  {count(scene.readings, "reading")} ·{" "}
                  {scene.exposures ? `${count(scene.exposures, "sheet")} exposed` : "not exposed"}
                </Box>
              </Flex>
            </Link>
          </Box>
        ))}
      </Box>
      <BeginScene outing={outing} first={scenes.length === 0} />
    </section>
  );
}

const count = (number: number, noun: string) => `${number} ${noun}${number === 1 ? "" : "s"}`;

function BeginScene({ outing, first }: { outing: Outing; first: boolean }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [title, setTitle] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const begin = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const scene = await beginScene(outing.id, title.trim());
      await client.invalidateQueries({ queryKey: ["outings"] });
      navigate(`/scene/${scene.id}`);
    } catch (refusal) {
      setProblem((refusal as Refusal).message);
    }
  };
  return (
    <Flex as="form" gap="3" align="flex-end" marginTop="4" maxWidth="560px" onSubmit={begin}>
      <Entry
        label={first ? "Begin the first scene: what is in front of you?" : "Next scene"}
        placeholder="Tramway bridge, low sun"
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        problem={problem}
      />
      <Button type="submit" variant="main">
        Begin
      </Button>
    </Flex>
  );
}

/** Today's film at a glance: how many sides of each film wait, and what is due in the darkroom. */
function Loaded() {
  const holders = useQuery(holdersQuery);
  const sides = (holders.data ?? []).flatMap((each) => each.sides);
  const films = [...new Set(sides.map((side) => side.film_name).filter(Boolean))].sort();
  const exposed = sides.filter((side) => side.state === "exposed").length;
  if (holders.data && sides.length === 0) {
    return (
      <Box>
        <Box as="h2" fontSize="13px" color="ink2" paddingBottom="2">
          Loaded
        </Box>
        No holders yet. <Link to="/film">Number them in Film</Link>
      </Box>
    );
  }
  return (
    <Flex direction="column" gap="5">
      <Box>
        <Box as="h2" fontSize="13px" color="ink2" paddingBottom="2">
          Loaded
        </Box>
        {films.map((film) => {
          const of = sides.filter((side) => side.film_name === film);
          const ready = of.filter((side) => side.state === "loaded");
          return (
            <Box key={film} borderBottom="1px solid" borderColor="line" paddingBlock="2">
              <Flex justify="space-between">
                <b>{film}</b>
                <span>{ready.length} unexposed</span>
              </Flex>
              <Box color="ink2" fontSize="14px">
                {ready.length
                  ? `unexposed ${ready.map((side) => side.where).join(", ")}`
                  : "no unexposed side left"}
              </Box>
            </Box>
          );
        })}
        <Box paddingTop="2" fontSize="14px">
          <Link to="/film">Holders</Link>
        </Box>
      </Box>
      <Box>
        <Box as="h2" fontSize="13px" color="ink2" paddingBottom="2">
          Due in the darkroom
        </Box>
        {exposed ? (
          <Box>
            {count(exposed, "sheet")} to develop. <Link to="/darkroom">See the times</Link>
          </Box>
        ) : (
          <Box color="ink2">Nothing yet.</Box>
        )}
      </Box>
      <Box fontSize="14px" color="ink2">
        Quarry ground is not made for people: loose edges, deep water, old shafts. Go with somebody,
        mind ice, and ask whose land it is.
      </Box>
    </Flex>
  );
}
