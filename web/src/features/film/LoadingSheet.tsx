import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Small } from "../../components/text";
import { Conflict } from "../../shared/Conflict";
import { useWrite } from "../../shared/useWrite";
import { listsQuery, putList, type ShownList } from "./queries";
import { SpokenList } from "./SpokenList";

/** Loading film step by step: read and ticked in the light, said aloud in the dark; one's own steps. */
export function LoadingSheet({ first, close }: { first: string; close: () => void }) {
  const lists = useQuery(listsQuery).data ?? [];
  const [key, setKey] = useState(first);
  const [changing, setChanging] = useState(false);
  const [dark, setDark] = useState(false);
  const shown = lists.find((each) => each.list.key === key);
  if (dark && shown) return <SpokenList steps={shown.list.steps} leave={() => setDark(false)} />;
  return (
    <Sheet
      open
      close={close}
      title="Loading, step by step"
      footer={
        <>
          <Button onClick={close}>Close</Button>
          <Button variant="main" disabled={!shown || changing} onClick={() => setDark(true)}>
            Say it in the dark
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Choose
          label="List"
          value={key}
          options={lists.map(({ list }) => ({
            value: list.key,
            label: list.own ? `${list.title} (own steps)` : list.title,
          }))}
          onChange={(to) => {
            setKey(to);
            setChanging(false);
          }}
        />
        {shown && changing ? (
          <Steps key={shown.version} shown={shown} done={() => setChanging(false)} />
        ) : (
          shown && <Read key={key} shown={shown} change={() => setChanging(true)} />
        )}
        <Small>
          In the dark the screen is black and each touch or key says the next step. A black screen
          still glows a little: lay it face down, or cover it.
        </Small>
      </Flex>
    </Sheet>
  );
}

/** The steps, ticked for this time only. */
function Read({ shown, change }: { shown: ShownList; change: () => void }) {
  return (
    <Box>
      <Box as="ol" aria-label={shown.list.title}>
        {shown.list.steps.map((step) => (
          <Box as="li" key={step} borderBottom="1px solid" borderColor="line">
            <Flex as="label" gap="3" minHeight="44px" align="center" cursor="pointer">
              <input type="checkbox" /> {step}
            </Flex>
          </Box>
        ))}
      </Box>
      <Button variant="word" marginTop="2" onClick={change}>
        Change the steps
      </Button>
    </Box>
  );
}

/** One's own steps, one in a line. */
function Steps({ shown, done }: { shown: ShownList; done: () => void }) {
  const { list, version } = shown;
  const [text, setText] = useState(list.steps.join("\n"));
  const { problem, write, busy, take } = useWrite(done);
  const keep = (base: string, steps = text) => write(putList(list.key, steps, base));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep(version);
  };
  return (
    <Flex as="form" direction="column" gap="3" onSubmit={submit}>
      <Entry
        label="Steps, one in a line"
        multiline
        rows={10}
        autoFocus
        value={text}
        onText={setText}
      />
      <Flex gap="3" wrap="wrap">
        <Button type="submit" disabled={busy}>
          Save steps
        </Button>
        <Button variant="quiet" onClick={done}>
          Cancel
        </Button>
        {list.own && (
          <Button variant="quiet" disabled={busy} onClick={() => void keep(version, "")}>
            Usual steps again
          </Button>
        )}
      </Flex>
      <Problem of={problem} />
      <Conflict problem={problem} mine={{ steps: text.split("\n") }} keep={keep} take={take} />
    </Flex>
  );
}
