import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Link } from "wouter";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { dayText } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Small } from "../../components/text";
import { useWrite } from "../../shared/useWrite";
import { earlierQuery, type Outing, revisit } from "./queries";

/** Scenes to go back to: each with what its negatives showed; its readings come along as a copy. */
export function RevisitSheet({ outing, close }: { outing: Outing; close: () => void }) {
  const [id] = useState(newId);
  const [text, setText] = useState("");
  const earlier = useQuery(earlierQuery(useDeferredValue(text)));
  const { problem, write, busy } = useWrite(close);
  const found = earlier.data ?? [];
  return (
    <Sheet
      open
      close={close}
      title={`Revisit a scene, on ${outing.title}`}
      footer={<Button onClick={close}>Close</Button>}
    >
      <Entry
        label="Which scene"
        type="search"
        placeholder="pool"
        value={text}
        onText={setText}
        autoFocus
      />
      {earlier.data && found.length === 0 && (
        <Box color="ink2" paddingTop="3">
          {text
            ? "No earlier scene has this in its title, place or outing."
            : "No earlier scene yet."}
        </Box>
      )}
      <Box as="ul" paddingTop="2">
        {found.map(({ scene, showed, next_time }) => (
          <Flex
            as="li"
            key={scene.id}
            gap="3"
            align="center"
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="2"
          >
            <Box flex="1" lineHeight={1.35}>
              <Link to={`/scene/${scene.id}`}>{scene.title}</Link>
              <Small>
                {[scene.outing_title, dayText(scene.day), scene.place].filter(Boolean).join(" · ")}
              </Small>
              {showed.map((each) => (
                <Box key={each} fontSize="14px">
                  showed {each}
                </Box>
              ))}
              {next_time.map((each) => (
                <Box key={each} fontSize="14px" color="ochre" fontWeight={600}>
                  {each}
                </Box>
              ))}
            </Box>
            <Button disabled={busy} onClick={() => write(revisit(outing.id, id, scene.id))}>
              Plan it
            </Button>
          </Flex>
        ))}
      </Box>
      <Problem of={problem} />
    </Sheet>
  );
}
