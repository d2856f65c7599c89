import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Schools, SecondOpinion } from "./Opinions";
import { Alternatives } from "./Panels";
import type { Answer, Edit, Scene } from "./queries";

const VIEWS = [
  ["apertures", "Other apertures"],
  ["schools", "Placement methods"],
  ["opinion", "Second opinion"],
] as const;

type View = (typeof VIEWS)[number][0];

/** The strip below the bridge: the same exposure at other apertures, by other schools, or thought over. */
export function Strip({
  scene,
  answer,
  stamp,
  take,
  choose,
}: {
  scene: Scene;
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
        {views.map(([each, name]) => (
          <Button
            key={each}
            variant="word"
            role="tab"
            aria-selected={view === each}
            fontSize="14px"
            color={view === each ? "accent" : "ink2"}
            textDecorationStyle={view === each ? "solid" : "dashed"}
            onClick={() => setWanted(each)}
          >
            {name}
          </Button>
        ))}
      </Flex>
      {view === "apertures" && (
        <Alternatives
          answer={answer}
          aperture={answer.set.aperture.replace("f/", "")}
          choose={choose}
        />
      )}
      {view === "schools" && <Schools scene={scene} stamp={stamp} take={take} />}
      {view === "opinion" && <SecondOpinion scene={scene} stamp={stamp} take={take} />}
    </Box>
  );
}
