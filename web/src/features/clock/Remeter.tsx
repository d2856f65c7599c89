import { Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { isAway } from "../../api/refusal";
import { closedAt, keepClock, type Timed } from "../../clock/state";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { relit } from "./queries";

/** The light changed: a new reading of what was placed; the core works out what is left. */
export function Remeter({ timed }: { timed: Timed }) {
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (event: FormEvent) => {
    event.preventDefault();
    const at = Date.now();
    const intervals = closedAt(timed, at);
    try {
      const {
        now_metered_s,
        steady,
        says,
        text: said,
      } = await relit(timed.given.scene_id, {
        text,
        intervals,
        share: timed.given.share,
        share_of: timed.given.share_of,
        stops: timed.given.bracket_stops,
      });
      keepClock({
        ...timed,
        intervals,
        since: timed.since === null ? null : at,
        now_metered_s,
        left_s: steady.steady_remaining_s,
        light: `${says}. ${said}`,
      });
      setText("");
      setProblem(null);
    } catch (refusal) {
      setProblem(
        isAway(refusal)
          ? "Emulsa is not responding: the clock goes on with the light as it was."
          : (refusal as Error).message,
      );
    }
  };
  return (
    <Flex as="form" onSubmit={take} gap="3" align="flex-start">
      <Entry
        label={`Light changed? Read ${timed.placed} again`}
        placeholder="8.5"
        value={text}
        onText={setText}
        problem={problem}
      />
      <Button type="submit" marginTop="26px" disabled={!text.trim()}>
        Use this reading
      </Button>
    </Flex>
  );
}
