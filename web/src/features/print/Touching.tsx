import { Box, Flex } from "@chakra-ui/react";
import { memo, useState } from "react";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import type { Drawing } from "./Picture";
import type { Touches } from "./useTouches";

/** Under the picture: which shapes there are, or what is to be touched now. */
export function Touching({ touches }: { touches: Touches }) {
  const { drawing, marking, markAt, begin, cancel, close, keepMark } = touches;
  return (
    <>
      <Flex gap="2" wrap="wrap" paddingTop="3" align="center">
        {drawing ? (
          <>
            <Box aria-live="polite">
              {marking === null ? TEACH[drawing.kind] : "Touch the place on the picture."}
            </Box>
            {marking === null && drawing.kind === "outline" && drawing.points.length >= 3 && (
              <Button variant="main" onClick={close}>
                Close outline
              </Button>
            )}
            <Button onClick={cancel}>Cancel</Button>
          </>
        ) : (
          <Shapes begin={begin} />
        )}
      </Flex>
      {markAt && <MarkForm keep={keepMark} />}
    </>
  );
}

const Shapes = memo(function Shapes({ begin }: { begin: (kind: Drawing["kind"]) => void }) {
  return SHAPES.map(([kind, label]) => (
    <Button key={kind} onClick={() => begin(kind)}>
      {label}
    </Button>
  ));
});

/** What is to be seen at a place of a print. */
function MarkForm({ keep }: { keep: (says: string) => void }) {
  const [says, setSays] = useState("");
  return (
    <Flex
      as="form"
      gap="2"
      align="flex-end"
      paddingTop="3"
      onSubmit={(event) => {
        event.preventDefault();
        keep(says.trim());
      }}
    >
      <Entry
        label="What is to be seen here"
        placeholder="too dark"
        maxLength={80}
        autoFocus
        value={says}
        onText={setSays}
      />
      <Button type="submit" variant="main">
        Mark
      </Button>
    </Flex>
  );
}

const SHAPES: [Drawing["kind"], string][] = [
  ["outline", "Outline"],
  ["circle", "Hole in a card"],
  ["edge", "Edge"],
  ["corner", "Corner"],
  ["vignette", "Vignette"],
];
const TEACH: Record<Drawing["kind"], string> = {
  outline: "Touch around the area; close it when it is whole.",
  circle: "Touch its middle, then its rim.",
  edge: "Touch two places of the line; all beyond it counts.",
  corner: "Touch how far the corner reaches in.",
  vignette: "Touch where the oval ends.",
};
