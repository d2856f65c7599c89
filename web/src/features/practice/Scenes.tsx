import { Box, Flex, Grid } from "@chakra-ui/react";
import { useState } from "react";
import { Link, useLocation } from "wouter";
import { here } from "../../api/here";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Tick } from "../../components/Tick";
import { Small } from "../../components/text";
import { useWrite } from "../../shared/useWrite";
import { deleteScene, goOut, type Offered, type Room } from "./queries";

/** Scenes to go out to: drawn ones by their pictures, mosaics and one's own by their names. */
export function Scenes({ room }: { room: Room }) {
  const [byHand, setByHand] = useState(false);
  const [, navigate] = useLocation();
  const { write, problem, busy } = useWrite();
  const go = (scene: { kind: Offered["kind"]; name: string; scene_id?: string }) =>
    void write(goOut({ scene_id: null, seed: null, ...scene, by_hand: byHand }), {
      at_once: (gone) => navigate(`/practice/scene/${gone.id}`),
    });
  const drawn = room.offered.filter((each) => each.kind === "drawn");
  const mosaics = room.offered.filter((each) => each.kind !== "drawn");
  return (
    <Box as="section" aria-label="Go out">
      <Flex align="baseline" justify="space-between" gap="4" wrap="wrap">
        <Heading>Go out</Heading>
        <Tick on={byHand} set={setByHand}>
          I do the sums myself
        </Tick>
      </Flex>
      <Problem of={problem} />
      <Grid templateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="3" paddingTop="3">
        {drawn.map((each) => (
          <Box
            as="button"
            key={each.name}
            textAlign="left"
            cursor="pointer"
            aria-disabled={busy}
            title={each.brief}
            onClick={() => go({ kind: each.kind, name: each.name })}
          >
            <Box
              border="1px solid"
              borderColor="ink"
              aspectRatio="3 / 2"
              overflow="hidden"
              _dark={{ filter: "brightness(0.75)" }}
            >
              <img
                src={here(`/api/practice/drawn/${each.name}.jpg`)}
                alt=""
                loading="lazy"
                style={{ width: "100%", height: "100%", objectFit: "cover" }}
              />
            </Box>
            <Box fontSize="15px" lineHeight={1.25} paddingTop="1">
              {each.title}
            </Box>
          </Box>
        ))}
      </Grid>
      <Lines
        title="Tones alone"
        lines={mosaics.map((each) => ({
          key: each.kind,
          name: each.title,
          says: each.brief,
          go: () => go({ kind: each.kind, name: each.name }),
        }))}
      />
      {room.own.length > 0 && (
        <Lines
          title="Rehearse your own"
          lines={room.own.map((each) => ({
            key: each.id,
            name: each.title,
            called: `Rehearse ${each.title}`,
            says: each.outing,
            go: () => go({ kind: "own", name: "", scene_id: each.id }),
          }))}
        />
      )}
      {room.practised.length > 0 && <Practised practised={room.practised} />}
    </Box>
  );
}

function Lines({
  title,
  lines,
}: {
  title: string;
  lines: { key: string; name: string; called?: string; says: string; go: () => void }[];
}) {
  return (
    <Box paddingTop="5">
      <Box as="h3" fontSize="14px" fontWeight={600} color="ink2">
        {title}
      </Box>
      <Box as="ul">
        {lines.map((each) => (
          <Box as="li" key={each.key} borderBottom="1px solid" borderColor="line" paddingBlock="2">
            <Button variant="word" aria-label={each.called} onClick={each.go}>
              {each.name}
            </Button>
            <Small lineHeight={1.3}>{each.says}</Small>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** Where one was, and what became of it. */
function Practised({ practised }: { practised: Room["practised"] }) {
  const { write } = useWrite();
  return (
    <Box paddingTop="5">
      <Box as="h3" fontSize="14px" fontWeight={600} color="ink2">
        Where you were
      </Box>
      <Box as="ul" aria-label="Where you were">
        {practised.map((each) => (
          <Flex
            as="li"
            key={each.id}
            gap="4"
            align="baseline"
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="2"
          >
            <Box flex="1" minWidth="0">
              <Link to={`/practice/scene/${each.id}`}>{each.title}</Link>
              <Small>{each.day_text}</Small>
            </Box>
            <Box fontWeight={each.exposed ? 600 : 400} color={each.exposed ? "ink" : "ink2"}>
              {each.says}
            </Box>
            <Button
              variant="word"
              aria-label={`Delete ${each.title} of ${each.day_text}`}
              onClick={() => void write(deleteScene(each.id))}
            >
              Delete
            </Button>
          </Flex>
        ))}
      </Box>
    </Box>
  );
}

export function Heading({ children }: { children: string }) {
  return (
    <Box as="h2" fontSize="19px" fontWeight={650}>
      {children}
    </Box>
  );
}
