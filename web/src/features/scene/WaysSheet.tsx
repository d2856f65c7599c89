import { Box, Flex } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Sheet } from "../../components/Sheet";
import { Schools, SecondOpinion } from "./Opinions";
import { Alternatives } from "./Panels";
import type { Answer, Edit, Scene, SceneView } from "./queries";

/** On a phone: the other ways of taking this scene, one under the other. */
export function WaysSheet({
  scene,
  picture,
  answer,
  stamp,
  take,
  choose,
  close,
}: {
  scene: Scene;
  picture: SceneView["picture"];
  answer: Answer;
  stamp: number;
  take: (edits: Edit[]) => void;
  choose: (aperture: string) => void;
  close: () => void;
}) {
  const heading = (text: string) => (
    <Box as="h2" fontSize="15px" fontWeight={650}>
      {text}
    </Box>
  );
  return (
    <Sheet open close={close} title="Other ways" footer={<Button onClick={close}>Close</Button>}>
      <Flex direction="column" gap="4">
        {heading("Second opinion")}
        <SecondOpinion scene={scene} picture={picture} stamp={stamp} take={take} stacked />
        {heading("Placement methods")}
        <Schools scene={scene} picture={picture} stamp={stamp} take={take} stacked />
        {answer.equivalents.length > 0 && (
          <>
            {heading("Other apertures")}
            <Alternatives answer={answer} aperture={scene.aperture} choose={choose} narrow />
          </>
        )}
      </Flex>
    </Sheet>
  );
}
