import { Flex } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { Button } from "../../../components/Button";

const TICK_MS = 100;
const FAST = 10;

/** A shutter held open by hand: what it counts is what was given, sped up if one wishes. */
export function Shutter({ counted }: { counted: (seconds: number) => void }) {
  const [speed, setSpeed] = useState<number | null>(null);
  const [seconds, setSeconds] = useState(0);
  const opened = useRef(0);
  useEffect(() => {
    if (!speed) return;
    opened.current = performance.now();
    const every = setInterval(
      () => setSeconds(((performance.now() - opened.current) / 1000) * speed),
      TICK_MS,
    );
    return () => clearInterval(every);
  }, [speed]);
  const close = () => {
    const given = speed ? ((performance.now() - opened.current) / 1000) * speed : 0;
    setSpeed(null);
    setSeconds(0);
    counted(Math.max(0.1, Math.round(given * 10) / 10));
  };
  if (speed)
    return (
      <Flex align="center" gap="4">
        <span role="timer" style={{ fontSize: 28, fontWeight: 650 }}>
          {Math.floor(seconds)} s
        </span>
        <Button type="button" variant="main" onClick={close}>
          Close the shutter
        </Button>
      </Flex>
    );
  return (
    <Flex align="center" gap="2" wrap="wrap">
      <Button type="button" onClick={() => setSpeed(1)}>
        Open the shutter
      </Button>
      <Button type="button" variant="word" onClick={() => setSpeed(FAST)}>
        ten times as fast
      </Button>
    </Flex>
  );
}
