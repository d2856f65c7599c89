import { Flex } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { Button } from "../../../components/Button";

const SPEEDS = [0, 1, 10, 60] as const;
type Speed = (typeof SPEEDS)[number];

const NAMES: Record<Speed, string> = { 0: "stands", 1: "runs", 10: "× 10", 60: "× 60" };
const TICK_MS = 500;
const [LONGEST, WAIT] = [600, 5];

/** Minutes since one came, and how fast they go: light moves with them. */
export function useMinutes(first: number) {
  const [minutes, setMinutes] = useState(first);
  const [speed, setSpeed] = useState<Speed>(0);
  useEffect(() => {
    if (!speed) return;
    const every = setInterval(
      () => setMinutes((before) => Math.min(LONGEST, before + (speed * TICK_MS) / 60_000)),
      TICK_MS,
    );
    return () => clearInterval(every);
  }, [speed]);
  const wait = () => setMinutes((before) => Math.min(LONGEST, before + WAIT));
  return { minutes, speed, setSpeed, wait };
}

/** The day's clock over a simulated scene. */
export function Minutes({
  minutes,
  speed,
  setSpeed,
  wait,
  says,
}: ReturnType<typeof useMinutes> & { says: string }) {
  return (
    <Flex align="center" gap="1" wrap="wrap" fontSize="14px" color="ink2">
      <span>
        {Math.floor(minutes)} min since you came{says && `, ${says}`}
      </span>
      <Flex role="group" aria-label="How time goes" gap="1">
        {SPEEDS.map((each) => (
          <Button
            key={each}
            variant={each === speed ? "main" : "quiet"}
            aria-pressed={each === speed}
            minHeight={{ base: "44px", md: "32px" }}
            paddingInline="2"
            fontSize="14px"
            onClick={() => setSpeed(each)}
          >
            {NAMES[each]}
          </Button>
        ))}
      </Flex>
      <Button variant="word" fontSize="14px" onClick={wait}>
        Wait 5 min
      </Button>
    </Flex>
  );
}
