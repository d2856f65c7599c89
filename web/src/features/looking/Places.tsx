import { Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { useWrite } from "../../shared/useWrite";
import { type Comparison, forgetPlace, namePlace } from "./queries";
import type { Looking } from "./useLook";

/** The places one goes back to, by their names, and naming the one in sight. */
export function Places({ view, looking }: { view: Comparison; looking: Looking }) {
  const [naming, setNaming] = useState(false);
  const [name, setName] = useState("");
  const { problem, write, busy } = useWrite(() => {
    setNaming(false);
    setName("");
  });
  const [first] = view.seen;
  if (!first) return null;
  const forget = async (gone: string) => {
    for (const each of view.named[gone] ?? []) await write(forgetPlace(each, gone));
  };
  const keep = (event: FormEvent) => {
    event.preventDefault();
    const { x, y, width } = looking.now;
    void write(namePlace(first.id, { name, x, y, width: Math.min(width, 1) }));
  };
  return (
    <Flex align="center" columnGap="4" rowGap="1" wrap="wrap" minWidth="0">
      {view.places.map((each) => (
        <Flex key={each.name} align="center" gap="1">
          <Button variant="word" onClick={() => looking.to(each)}>
            {each.name}
          </Button>
          <Button
            variant="quiet"
            minWidth={{ base: "44px", md: "28px" }}
            minHeight={{ base: "44px", md: "34px" }}
            paddingInline="1"
            color="ink2"
            aria-label={`Forget the place ${each.name}`}
            disabled={busy}
            onClick={() => void forget(each.name)}
          >
            ×
          </Button>
        </Flex>
      ))}
      {naming ? (
        <Flex as="form" onSubmit={keep} align="flex-end" gap="2">
          <Entry
            label="Name of this place"
            autoFocus
            value={name}
            onText={setName}
            onKeyDown={(event) => {
              if (event.key === "Escape") setNaming(false);
            }}
          />
          <Button type="submit" disabled={busy || !name.trim()}>
            Save
          </Button>
          <Button variant="quiet" onClick={() => setNaming(false)}>
            Cancel
          </Button>
        </Flex>
      ) : (
        <Button variant="word" onClick={() => setNaming(true)}>
          Name this place
        </Button>
      )}
      <Problem of={problem} />
    </Flex>
  );
}
