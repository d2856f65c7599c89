import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Schools, SecondOpinion } from "./Opinions";
import { Alternatives } from "./Panels";
import type { Answer, Edit, Scene, SceneView } from "./queries";

const VIEWS = [
  ["apertures", "Other apertures"],
  ["schools", "Placement methods"],
  ["opinion", "Second opinion"],
] as const;

type View = (typeof VIEWS)[number][0];

/** The strip below the bridge: the same exposure at other apertures, by other schools, or thought over. */
export function Strip({
  scene,
  picture,
  answer,
  stamp,
  take,
  choose,
}: {
  scene: Scene;
  picture: SceneView["picture"];
  answer: Answer;
  stamp: number;
  take: (edits: Edit[]) => void;
  choose: (aperture: string) => void;
}) {
  const views = VIEWS.filter(([view]) => view !== "apertures" || answer.equivalents.length > 0);
  const [wanted, setWanted] = useState<View>("apertures");
  const view = views.some(([each]) => each === wanted) ? wanted : "schools";
  return (
    <Box minHeight="140px">
      <Flex gap="5" role="tablist" aria-label="Other ways">
        {views.map(([each, name], place) => (
          <Button
            key={each}
            variant="word"
            role="tab"
            id={`way-${each}`}
            aria-controls="ways"
            tabIndex={view === each ? 0 : -1}
            aria-selected={view === each}
            fontSize="14px"
            color={view === each ? "accent" : "ink2"}
            textDecorationStyle={view === each ? "solid" : "dashed"}
            onClick={() => setWanted(each)}
            onKeyDown={(event) => {
              const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
              const next = step && views[(place + step + views.length) % views.length];
              if (!next) return;
              setWanted(next[0]);
              document.getElementById(`way-${next[0]}`)?.focus();
            }}
          >
            {name}
          </Button>
        ))}
      </Flex>
      <Box role="tabpanel" id="ways" aria-labelledby={`way-${view}`}>
        {view === "apertures" && (
          <Alternatives
            answer={answer}
            aperture={answer.set.aperture.replace("f/", "")}
            choose={choose}
          />
        )}
        {view === "schools" && (
          <Schools scene={scene} picture={picture} stamp={stamp} take={take} />
        )}
        {view === "opinion" && (
          <SecondOpinion scene={scene} picture={picture} stamp={stamp} take={take} />
        )}
      </Box>
    </Box>
  );
}
