import { Box, Flex, Input } from "@chakra-ui/react";
import { type FormEvent, type RefObject, useMemo, useState } from "react";
import { newId } from "../../../api/newId";
import { Button } from "../../../components/Button";
import { Notice } from "../../../components/Notice";
import { useLatest } from "../../../shared/useLatest";
import { readLine, type Scene } from "../queries";
import type { Change } from "../useKeeping";
import type { Seen, Spot } from "./queries";

/** What is done with the place under the circle: read off the picture, what the meter says of it, or a
    reading that was taken there before. */
export function ReadHere({
  scene,
  seen,
  spot,
  field,
  edit,
  let_go,
}: {
  scene: Scene;
  seen: Seen;
  spot: Spot;
  field: RefObject<HTMLInputElement | null>;
  edit: (change: Change) => Promise<void>;
  let_go: () => void;
}) {
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const probe = seen.probe;
  const keep = async (change: Change) => {
    try {
      await edit(change);
      setText("");
      setProblem(null);
      let_go();
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  const at = useMemo(() => ({ spot, read_off: probe?.reading ?? null }), [spot, probe]);
  const asking = useMemo(() => (text.trim() ? { scene, text, at } : null), [scene, text, at]);
  // what it would mean, as the core reads it; what cannot be read yet means nothing
  const meant = useLatest(asking, async (asked: NonNullable<typeof asking>) =>
    readLine(asked.scene, asked.text, "there", asked.at).then(
      ({ edits }) => ({ edits }),
      () => ({ edits: [] }),
    ),
  );
  const metered = meant?.edits.some(
    (each) => each.kind === "read" && each.reading.kind !== "photo",
  );
  const take = (event: FormEvent) => {
    event.preventDefault();
    const id = newId();
    void keep((latest) => readLine(latest, text, id, at));
  };
  const free = scene.readings.filter((each) => !each.spot && !each.incident);
  return (
    <Box aria-live="polite">
      <Flex as="form" gap="2" wrap="wrap" align="center" onSubmit={take} paddingTop="1">
        <Box fontWeight={600} whiteSpace="nowrap" fontSize="15px">
          {probe ? probe.text : "not known yet"}
          {probe?.zone_text && (
            <Box as="span" color="ink2" fontWeight={400}>
              {" "}
              on {probe.zone_text}
            </Box>
          )}
        </Box>
        <Input
          ref={field}
          aria-label="The place's name, or what the meter says of it"
          placeholder="name it, or type what the meter says: 9 shade"
          value={text}
          onChange={(event) => setText(event.target.value)}
          flex="1 1 220px"
          minWidth="0"
          height="44px"
        />
        <Button type="submit" disabled={!metered && !probe?.reading}>
          {metered ? "The meter says so" : "Read it here"}
        </Button>
        <Button variant="quiet" onClick={let_go}>
          Let go
        </Button>
      </Flex>
      {free.length > 0 && (
        <Flex gap="3" wrap="wrap" align="center" fontSize="14px" color="ink2">
          Or it was read already:
          {free.map((each) => (
            <Button
              key={each.id}
              variant="word"
              fontSize="14px"
              onClick={() => void keep([{ kind: "put_at", id: each.id, spot }])}
            >
              {each.label}
            </Button>
          ))}
        </Flex>
      )}
      {problem && (
        <Notice tone="refusal" live>
          {problem}
        </Notice>
      )}
    </Box>
  );
}
