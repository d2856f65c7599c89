import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { count } from "../../components/count";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Refusals } from "../../components/refused";
import { Quiet, Small } from "../../components/text";
import { offered } from "../../shared/offered";
import { useKeptText } from "../../shared/useKeptText";
import { useWrite } from "../../shared/useWrite";
import { LoadingSheet } from "./LoadingSheet";
import { loadSides, stockQuery, unloadSides } from "./queries";

type Side = Schemas["SideView"];

/** What is done with the chosen sides: empty ones are loaded, the others taken out, all at once. */
export function Session({
  typed,
  setTyped,
  sides,
  unread,
}: {
  typed: string;
  setTyped: (text: string) => void;
  sides: Side[];
  /** why what is typed cannot be read */
  unread: string | null;
}) {
  const kit = useQuery(kitQuery).data;
  const stock = useQuery(stockQuery).data ?? [];
  const films = offered(kit?.films);
  const [listed, setListed] = useState(false);
  const [film, setFilm] = useState<string | null>(null);
  const [from, setFrom] = useState<string | null>(null);
  const [box, setBox] = useKeptText("exposed-box");
  const [id, setId] = useState(newId);
  const { problem, write, busy } = useWrite();
  const filmId = film ?? films[0]?.id ?? "";
  const boxes = stock.filter((each) => each.state.offered && each.stock.film_id === filmId);
  const boxId = from ?? boxes[0]?.stock.id ?? "";
  const moves = new Set(sides.map((side) => side.bag_move));
  const [move] = moves;
  const mixed = moves.size > 1;
  const doubts = [...new Set(sides.map((side) => side.doubt).filter(Boolean))];
  const act = (event: FormEvent) => {
    event.preventDefault();
    if (!sides.length) return; // what is typed is still being read
    // before the board is drawn anew: what is touched then is the next choice
    const at_once = () => {
      setTyped("");
      setId(newId());
    };
    if (move === "unload") void write(unloadSides(typed, ""), { at_once });
    else if (move === "box") void write(unloadSides(typed, box.trim()), { at_once });
    else void write(loadSides(id, typed, filmId, boxId || null), { at_once });
  };
  if (kit && !films.length) {
    return (
      <Box paddingTop="5">
        To load a holder, first <Link to="/kit">add a film in Kit</Link>.
      </Box>
    );
  }
  const loading = move === undefined || move === "load";
  const word = loading ? "Load" : move === "box" ? "Box" : "Unload";
  return (
    <Refusals of={problem}>
      <Box
        // in sight while something is chosen; it takes no room from the board before
        position={sides.length > 0 ? "sticky" : "static"}
        bottom="0"
        background="paper"
        borderTop="2px solid"
        borderColor="ink"
        marginTop="6"
        paddingBlock="3"
      >
        <Flex
          as="form"
          onSubmit={act}
          gap="3"
          align="flex-start"
          wrap="wrap"
          maxWidth="960px"
          aria-label="Load holders"
        >
          <Box flex="1 1 150px">
            <Entry
              label="Sides"
              placeholder="3-4 6B"
              value={typed}
              onText={setTyped}
              field={problem?.field === "side" ? "side" : "sides"}
              problem={unread}
            />
          </Box>
          {loading && sides.length > 0 && (
            <>
              <Box flex="1 1 160px">
                <Choose
                  label="Film"
                  value={filmId}
                  options={named(films)}
                  onChange={(id) => {
                    setFilm(id);
                    setFrom(null);
                  }}
                  field="film_id"
                />
              </Box>
              <Box flex="1 1 190px">
                <Choose
                  label="Box"
                  value={boxId}
                  options={[
                    ...boxes.map((each) => ({
                      value: each.stock.id,
                      label: `${each.stock.emulsion || "a box"}, ${each.state.left} left`,
                    })),
                    { value: "", label: "a box not in stock" },
                  ]}
                  onChange={setFrom}
                  field="stock_id"
                />
              </Box>
            </>
          )}
          {move === "box" && !mixed && (
            <Box flex="1 1 220px">
              <Entry
                label="Exposed-film box"
                placeholder="exposed, quarry, N−1"
                value={box}
                onText={setBox}
                field="box"
              />
            </Box>
          )}
          {sides.length > 0 ? (
            <Button type="submit" variant="main" marginTop="25px" disabled={busy || mixed}>
              {word} {count(sides.length, "sheet")}
            </Button>
          ) : (
            <Small flex="3 1 200px" paddingTop="34px">
              Tap sides, or type 3-4 6B.
            </Small>
          )}
        </Flex>
        <Box fontSize="14px" paddingTop="2">
          {mixed ? (
            <Notice tone="note">
              These sides are not alike; choose empty ones to load, or ones to take out.
            </Notice>
          ) : doubts.length ? (
            <Notice tone="caution">{doubts.join(" ")}</Notice>
          ) : move === "unload" ? (
            <Quiet>Unexposed sheets go back to the box they came from.</Quiet>
          ) : null}
          <Problem of={problem} />
        </Box>
        {loading && sides.length > 0 && (
          <Button variant="word" onClick={() => setListed(true)}>
            In the changing bag
          </Button>
        )}
        {listed && <LoadingSheet first="holders" close={() => setListed(false)} />}
      </Box>
    </Refusals>
  );
}
