import { Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Small } from "../../components/text";

const DIGITS = 5; // about a metre
const FOUND_WITHIN_MS = 30_000;
const WHY = {
  1: "The browser was not allowed to tell where this is; type it, or allow it.",
  2: "Where this is could not be found; type it, or try again under the open sky.",
  3: "It took too long to find where this is; try again under the open sky.",
} as Record<number, string>;

/** Where this device is, when its user lets the browser say so; it goes nowhere but into the fields. */
export function HereButton({ found }: { found: (latitude: string, longitude: string) => void }) {
  const [says, setSays] = useState("");
  if (!window.isSecureContext || !navigator.geolocation) return null;
  const ask = () => {
    setSays("Looking…");
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        found(coords.latitude.toFixed(DIGITS), coords.longitude.toFixed(DIGITS));
        setSays(`To ${Math.round(coords.accuracy)} m.`);
      },
      ({ code }) => setSays(WHY[code] ?? ""),
      { enableHighAccuracy: true, timeout: FOUND_WITHIN_MS },
    );
  };
  return (
    <Flex align="center" gap="4" wrap="wrap">
      <Button onClick={ask}>Use my position</Button>
      <Small role="status">{says}</Small>
    </Flex>
  );
}
