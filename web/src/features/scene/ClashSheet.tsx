import { Box, Flex } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Sheet } from "../../components/Sheet";
import { Quiet, Small } from "../../components/text";
import { apertureText } from "../../shared/aperture";
import type { Scene } from "./queries";
import type { Clash } from "./useKeeping";

const said = (scene: Scene) =>
  [
    `${scene.readings.length} reading${scene.readings.length === 1 ? "" : "s"}`,
    scene.readings.map((each) => each.label).join(", "),
    scene.aperture ? apertureText(scene.aperture) : "",
    scene.filter_ids.length ? `${scene.filter_ids.length} filter` : "no filter",
  ]
    .filter(Boolean)
    .join(" · ");

/** Two hands on one scene: both versions, and which one stays. */
export function ClashSheet({
  clash,
  settle,
}: {
  clash: Clash;
  settle: (mine: boolean) => Promise<void>;
}) {
  return (
    <Sheet
      open
      close={() => undefined}
      title="Changed on another device"
      footer={
        <>
          <Button onClick={() => settle(false)}>Use saved version</Button>
          <Button variant="main" onClick={() => settle(true)}>
            Make my change to it
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Box>{clash.message}</Box>
        {(
          [
            ["Saved now", clash.theirs],
            ["Yours", clash.mine],
          ] as const
        ).map(([name, scene]) => (
          <Box key={name} borderTop="1px solid" borderColor="line" paddingTop="2">
            <Box fontWeight={650}>{name}</Box>
            <Quiet>{said(scene)}</Quiet>
          </Box>
        ))}
        <Small>Your change is made to what is saved now; both can be taken back with undo.</Small>
      </Flex>
    </Sheet>
  );
}
