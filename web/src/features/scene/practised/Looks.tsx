import { Box, Flex } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { newId } from "../../../api/newId";
import type { Refusal } from "../../../api/refusal";
import { Button } from "../../../components/Button";
import { Problem } from "../../../components/Problem";
import { Small } from "../../../components/text";
import { useLatest } from "../../../shared/useLatest";
import type { Change } from "../useKeeping";
import { Aiming } from "./Aiming";
import { Greys } from "./Greys";
import { Minutes, type useMinutes } from "./Minutes";
import { type Aim, meterSays, type PractisedView } from "./queries";
import { useField } from "./useField";

/** Light is looked at anew so often. */
const EVERY_MIN = 0.5;

/** A simulated scene as the light falls, with the meter over it: what it says is taken down with a
    touch. */
export function Looks({
  practised,
  time,
  edit,
}: {
  practised: PractisedView;
  time: ReturnType<typeof useMinutes>;
  edit: (change: Change) => Promise<void>;
}) {
  const { id, view, spots } = practised;
  const minutes = Math.floor(time.minutes / EVERY_MIN) * EVERY_MIN;
  const { field, cells } = useField(id, minutes);
  const [aim, setAim] = useState<Aim | null>(null);
  const [problem, setProblem] = useState<Refusal | null>(null);
  // the same place is another reading once one was taken: a meter is never quite the same twice
  const asked = useMemo(
    () => (aim ? { aim, minutes, taken: spots.length } : null),
    [aim, minutes, spots.length],
  );
  const meter = useLatest(asked, ({ aim, minutes }) => meterSays(id, aim, minutes));
  const take = async () => {
    if (!aim) return;
    try {
      await edit({ aim, minutes, reading_id: newId() });
      setProblem(null);
      setAim(null);
    } catch (refusal) {
      setProblem(refusal as Refusal);
    }
  };
  if (!field || !cells) return <Box minHeight="240px" />;
  const ratio = field.rows / field.columns;
  return (
    <Flex as="section" aria-label="Simulated scene" wrap="wrap" gap="4" paddingTop="2">
      <Box
        position="relative"
        flex="1 1 320px"
        maxWidth={{ base: "100%", md: "390px" }}
        aspectRatio={`${field.columns} / ${field.rows}`}
        overflow="hidden"
        border="1px solid"
        borderColor="ink"
        alignSelf="flex-start"
      >
        <Greys
          cells={cells}
          moved={field.moved}
          grey={field.grey}
          label="The scene as the light falls"
        />
        <Aiming
          aim={aim}
          radius={practised.radius}
          ratio={ratio}
          places={field.places}
          spots={spots}
          readings={view.scene.readings}
          says={meter ? `${meter.ev_text}, ${meter.place}` : ""}
          point={setAim}
          take={() => void take()}
        />
      </Box>
      <Flex direction="column" gap="2" flex="1 1 240px" minWidth="0">
        <Box fontSize="16px" lineHeight={1.35}>
          {practised.brief}
        </Box>
        <Minutes {...time} says={field.light_text} />
        <Flex align="center" gap="3" minHeight="48px" wrap="wrap">
          <Box role="status" fontSize="22px" fontWeight={650} data-meter>
            {meter?.ev_text ?? ""}
          </Box>
          {meter ? (
            <Button variant="main" onClick={() => void take()}>
              Take it down
            </Button>
          ) : (
            <Small>
              Touch the picture: the circle is your meter’s {practised.angle_text}. Or type what you
              like in the line.
            </Small>
          )}
        </Flex>
        <Problem of={problem} />
      </Flex>
    </Flex>
  );
}
