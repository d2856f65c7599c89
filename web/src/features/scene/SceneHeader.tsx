import { Box } from "@chakra-ui/react";
import { memo } from "react";
import { Button } from "../../components/Button";
import { RoomHeader } from "../../shared/RoomHeader";
import type { Scene } from "./queries";

/** The scene's title, its outing, and how old the readings are. */
export const SceneHeader = memo(function SceneHeader({
  scene,
  sub,
  age,
  change,
}: {
  scene: Scene;
  sub: string;
  age: string;
  change: () => void;
}) {
  const title = (
    <Button
      variant="quiet"
      paddingInline="0"
      fontWeight={650}
      fontSize="inherit"
      maxWidth="100%"
      overflow="hidden"
      onClick={change}
      title="Change the title or note"
    >
      <Box as="span" overflow="hidden" textOverflow="ellipsis">
        {scene.title}
      </Box>
    </Button>
  );
  return (
    <RoomHeader title={title} called={scene.title} sub={sub}>
      {age && (
        <Box
          color="ink2"
          fontSize="15px"
          whiteSpace="nowrap"
          display={{ base: "none", md: "block" }}
        >
          {age}
        </Box>
      )}
    </RoomHeader>
  );
});
