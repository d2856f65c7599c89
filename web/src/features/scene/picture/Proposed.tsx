import { Flex } from "@chakra-ui/react";
import { Button } from "../../../components/Button";
import { Small } from "../../../components/text";
import type { Circle } from "./Places";
import type { Seen } from "./queries";

/** The darkest and the brightest places that have texture, to be read next. */
export function Proposed({
  seen: { proposed },
  put,
  usual,
}: {
  seen: Seen;
  put: (circle: Circle) => void;
  usual: number;
}) {
  if (!proposed.length) return <Small>No place with texture stands out.</Small>;
  return (
    <Flex wrap="wrap" columnGap="4" fontSize="14px" color="ink2" align="center">
      {[true, false].map((dark) => (
        <Flex key={String(dark)} gap="2" align="center" wrap="wrap">
          {dark ? "Darkest with texture" : "Brightest with texture"}
          {proposed
            .filter((each) => each.dark === dark)
            .map((each) => (
              <Button
                key={`${each.x} ${each.y}`}
                variant="word"
                fontSize="14px"
                onClick={() => put({ x: each.x, y: each.y, radius: usual })}
              >
                {each.text}
              </Button>
            ))}
        </Flex>
      ))}
    </Flex>
  );
}
