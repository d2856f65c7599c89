import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
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

type HolderView = Schemas["HolderView"];

const EXACT = /^\d+[AB]$/;

/** The board: every side's state; touch sides, or type them, and load or unload them together. */
export function HoldersPart() {
  const holders = useQuery(holdersQuery);
  const { problem, write } = useWrite();
  const [opened, setOpened] = useState<string | null>(null);
  const [retired, setRetired] = useState(false);
  const [unfolded, setUnfolded] = useState(false);
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
      {grouped(board).map((group) => (
        <Box key={group.title} as="section" aria-label={group.title || "Holders"} paddingBottom="4">
          {group.title && (
            <Box as="h2" fontSize="14px" color="ink2" paddingBottom="1">
              {group.title}, {count(group.holders.length, "holder")}
            </Box>
          )}
          {group.folded && !unfolded ? (
            <Flex wrap="wrap" gap="3" align="center">
              <Box fontSize="17px">
                {group.holders.map((each) => each.holder.number).join(", ")}
              </Box>
              <Button variant="word" onClick={() => setUnfolded(true)}>
                Show empty holders
              </Button>
            </Flex>
          ) : (
            <Flex
              as="ul"
              wrap="wrap"
              columnGap="5"
              rowGap="6"
              aria-label={group.title || "Holders"}
            >
              {group.holders.map((each) => (
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
          )}
        </Box>
      ))}
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

/** So many holders stand in one row as they are numbered; more are told apart by what is in them. */
const FEW = 12;

interface Grouped {
  title: string;
  folded: boolean;
  holders: HolderView[];
}

function grouped(board: HolderView[]): Grouped[] {
  if (board.length <= FEW) return [{ title: "", folded: false, holders: board }];
  const has = (view: HolderView, ...states: string[]) =>
    view.sides.some((side) => states.includes(side.state));
  const exposed = board.filter((view) => has(view, "exposed", "in_run"));
  const loaded = board.filter((view) => !exposed.includes(view) && has(view, "loaded"));
  const rest = board.filter((view) => !exposed.includes(view) && !loaded.includes(view));
  return [
    { title: "Exposed", folded: false, holders: exposed },
    { title: "Loaded", folded: false, holders: loaded },
    { title: "Empty", folded: true, holders: rest },
  ].filter((group) => group.holders.length > 0);
}
