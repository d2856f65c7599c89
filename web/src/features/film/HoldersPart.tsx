import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { holdersQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { Empty } from "../../components/Empty";
import { Notice } from "../../components/Notice";
import { FileLink } from "../../shared/FileLink";
import { useKeptText } from "../../shared/useKeptText";
import { useWrite } from "../../shared/useWrite";
import { ExposedBoxes } from "./ExposedBoxes";
import { FilmRoom } from "./FilmRoom";
import { HolderSheet } from "./HolderSheet";
import { newHolder, putHolder, sidesQuery } from "./queries";
import { Session } from "./Session";
import { SideMark } from "./SideMark";

const EXACT = /^\d+[AB]$/;

/** The board: every side's state; touch sides, or type them, and load or unload them together. */
export function HoldersPart() {
  const holders = useQuery(holdersQuery);
  const { problem, write } = useWrite();
  const [opened, setOpened] = useState<string | null>(null);
  const [retired, setRetired] = useState(false);
  const [typed, setTyped] = useKeptText("sides");
  const all = holders.data ?? [];
  const gone = all.filter((each) => each.holder.retired).length;
  const board = all.filter((each) => retired || !each.holder.retired);
  const view = all.find((each) => each.holder.id === opened);

  // Touched sides are taken as they stand; what a typed "3-4" means is asked.
  const words = typed.split(/[\s,]+/).filter(Boolean);
  const exact = words.every((word) => EXACT.test(word));
  const named = useQuery({ ...sidesQuery(typed), enabled: !exact });
  const chosen = exact ? words : (named.data ?? []);
  const toggle = (where: string) =>
    setTyped(
      (chosen.includes(where) ? chosen.filter((each) => each !== where) : [...chosen, where]).join(
        " ",
      ),
    );
  const sides = all.flatMap((each) => each.sides).filter((side) => chosen.includes(side.where));
  const add = () => {
    const numbers = all.map((each) => each.holder.number);
    void write(putHolder(newHolder(Math.max(0, ...numbers) + 1), ""));
  };
  return (
    <FilmRoom
      sub={count(board.length, "holder")}
      actions={
        <Button onClick={add} disabled={!holders.data}>
          Add a holder
        </Button>
      }
    >
      {(problem || holders.error) && (
        <Notice tone="refusal" live>
          {problem?.message ?? holders.error?.message}
        </Notice>
      )}
      {holders.data && board.length === 0 && (
        <Empty title="No holders yet.">
          Add one for each double holder you own; its number is what you write on it.
        </Empty>
      )}
      <Flex as="ul" wrap="wrap" columnGap="5" rowGap="6" aria-label="Holders">
        {board.map((each) => (
          <li key={each.holder.id}>
            <Button
              variant="quiet"
              paddingInline="0"
              fontSize="26px"
              fontWeight={650}
              minWidth="44px"
              justifyContent="flex-start"
              aria-label={`Holder ${each.holder.number}`}
              onClick={() => setOpened(each.holder.id)}
            >
              {each.holder.number}
            </Button>
            <Box as="span" fontSize="13px" color="ink2">
              {each.holder.retired ? "retired" : each.format_name}
            </Box>
            <Flex gap="2.5">
              {each.sides.map((side) => (
                <SideMark
                  key={side.side}
                  side={side}
                  chosen={chosen.includes(side.where)}
                  toggle={() => toggle(side.where)}
                />
              ))}
            </Flex>
            {each.holder.note && (
              <Box fontSize="13px" color="ink2" maxWidth="180px">
                {each.holder.note}
              </Box>
            )}
          </li>
        ))}
      </Flex>
      <Flex gap="5" align="center" paddingTop="3">
        {board.length > 0 && (
          <FileLink href="/api/holders/labels.pdf">Labels to cut out (PDF)</FileLink>
        )}
        {gone > 0 && (
          <Button variant="word" color="ink2" onClick={() => setRetired(!retired)}>
            {retired ? "hide retired holders" : `show ${gone} retired`}
          </Button>
        )}
      </Flex>
      <ExposedBoxes />
      {board.length > 0 && (
        <Session
          typed={typed}
          setTyped={setTyped}
          sides={sides}
          unread={named.error?.message ?? null}
        />
      )}
      {view && <HolderSheet key={view.version} view={view} close={() => setOpened(null)} />}
    </FilmRoom>
  );
}
