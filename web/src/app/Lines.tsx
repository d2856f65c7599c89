import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { X } from "lucide-react";
import { question } from "../api/ask";
import { useClockAhead } from "../api/clocks";
import { putTroubleAway, useTrouble } from "../api/pending";
import { Button } from "../components/Button";
import { count } from "../components/count";
import { Notice } from "../components/Notice";
import { readCarrying } from "../field/mode";
import { say, useSaid } from "../shared/saying";

/* The lines above every room. */

/** What was just done, where the screen it was done on is gone. */
export function Said() {
  const said = useSaid();
  return (
    <Box role="status">
      {said && (
        <Flex
          align="center"
          background="accentSoft"
          color="accent"
          fontWeight={600}
          paddingLeft={{ base: "4", md: "6" }}
          minHeight="44px"
        >
          <Box flex="1">{said}</Box>
          <Button variant="quiet" aria-label="Close this line" onClick={() => say(null)}>
            <X size={18} aria-hidden />
          </Button>
        </Flex>
      )}
    </Box>
  );
}

const HEALTH_MS = 60_000;
const [MINUTE_MS, HOUR_MS, DAY_MS] = [60_000, 3_600_000, 86_400_000];

/** What is wrong with this device's clock; nothing when it goes as home's. */
function clockText(ahead_ms: number): string {
  if (ahead_ms === 0) return "";
  const by = Math.abs(ahead_ms);
  const much =
    by >= DAY_MS
      ? count(Math.round(by / DAY_MS), "day")
      : by >= HOUR_MS
        ? count(Math.round(by / HOUR_MS), "hour")
        : count(Math.round(by / MINUTE_MS), "minute");
  return `This device's clock is ${much} ${ahead_ms > 0 ? "ahead of" : "behind"} home's. Set it right: what is done here is kept at the moment it shows.`;
}

/** What is wrong with the data, or was not done of what was under way, above every room. */
export function Trouble() {
  const refused = useTrouble();
  const clock = clockText(useClockAhead());
  const trouble = useQuery({
    ...question("service_health"),
    refetchInterval: () => (readCarrying() ? false : HEALTH_MS), // a carried copy sleeps
    retry: false,
  }).data?.trouble;
  return (
    <>
      {trouble && (
        <Notice tone="warning" live>
          {trouble}
        </Notice>
      )}
      {clock && (
        <Notice tone="warning" live>
          {clock}
        </Notice>
      )}
      {refused && (
        <Notice tone="refusal" live>
          What was under way when the page was closed was not done: {refused}{" "}
          <Button variant="word" onClick={putTroubleAway}>
            Understood
          </Button>
        </Notice>
      )}
    </>
  );
}
