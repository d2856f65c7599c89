import { Flex } from "@chakra-ui/react";
import { Button } from "../../../components/Button";
import { CROWD, named } from "./geometry";
import type { BridgePin } from "./props";

/** Readings there was no room to name on the drawing, from shadow to light. */
export function Crowd({
  pins,
  pinned,
  high,
  open,
}: {
  pins: BridgePin[];
  pinned: string | null;
  high: string | null;
  open: (id: string) => void;
}) {
  if (pins.length <= CROWD) return null;
  const shown = named(pins, pinned, high);
  const rest = pins.filter((pin) => !shown.has(pin.id)).sort((a, b) => a.zone - b.zone);
  return (
    <Flex as="ul" aria-label="Other readings" wrap="wrap" columnGap="4" fontSize="14px">
      {rest.map((pin) => (
        <li key={pin.id}>
          <Button variant="word" onClick={() => open(pin.id)}>
            {pin.label} {pin.zone_text}
          </Button>
        </li>
      ))}
    </Flex>
  );
}
