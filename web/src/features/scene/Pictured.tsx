import { Box, Flex } from "@chakra-ui/react";
import { lazy, type ReactNode, Suspense, useState } from "react";
import type { Schemas } from "../../api/calls";
import { Button } from "../../components/Button";
import type { Told } from "../../shared/told";
import type { Face } from "./picture";
import type { SceneView } from "./queries";
import type { Change } from "./useKeeping";
import type { Draft } from "./useSolution";

const PictureView = lazy(() => import("./picture"));

export type Seen = Schemas["PictureSeen"];

const FACES = ["bridge", "picture", "print"] as const;

/** The bridge with the scene's picture over it; on a phone one of the three at a time. */
export function Pictured({
  view,
  draft,
  placed,
  narrow,
  stamp,
  bridge,
  edit,
  open,
  onSeen,
}: {
  view: SceneView;
  draft: Told<Draft | null>;
  placed: string | null;
  narrow: boolean;
  stamp: number;
  bridge: ReactNode;
  edit: (change: Change) => Promise<void>;
  open: (id: string) => void;
  onSeen: (seen: Seen) => void;
}) {
  const [face, setFace] = useState<(typeof FACES)[number]>("bridge");
  const { picture } = view;
  if (!picture) return bridge;
  const shown = (show: Face) => (
    <Suspense fallback={show === "behind" ? null : <Box minHeight="270px" />}>
      <PictureView
        draft={draft}
        picture={picture}
        placed={placed}
        show={show}
        stamp={stamp}
        edit={edit}
        open={open}
        onSeen={onSeen}
      />
    </Suspense>
  );
  if (!narrow)
    return (
      <>
        {shown("both")}
        {bridge}
      </>
    );
  return (
    <>
      <Flex gap="2" role="tablist" aria-label="How the scene is shown" flexShrink={0}>
        {FACES.map((each) => (
          <Button
            key={each}
            role="tab"
            flex="1"
            minHeight="44px"
            aria-selected={face === each}
            variant={face === each ? "main" : undefined}
            onClick={() => setFace(each)}
          >
            {each}
          </Button>
        ))}
      </Flex>
      {face === "bridge" && bridge}
      {/* behind the bridge, too: its fringe is what of the picture falls where */}
      {shown(face === "bridge" ? "behind" : face)}
    </>
  );
}
