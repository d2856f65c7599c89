import { Box, Grid } from "@chakra-ui/react";
import { type RefObject, useState } from "react";
import { Button } from "../../components/Button";
import { Small } from "../../components/text";
import type { PrintView } from "./queries";
import { TryNoted } from "./TryNoted";
import type { Marker } from "./useTouches";

/** Every print that was made: what it showed, what came next, which is the final one. */
export function Tries({
  view,
  flush,
  mark,
  marker,
  rework,
  look,
}: {
  view: PrintView;
  flush: () => Promise<boolean>;
  /** none: a print by inkjet has no plan to mark and to work again */
  mark: ((try_id: string) => void) | null;
  marker: RefObject<Marker | null>;
  rework: (() => void) | null;
  /** the print whose marks stand on the picture */
  look: (try_id: string | null) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const { tries } = view;
  return (
    <Box as="section" aria-label="Prints made">
      <Grid templateColumns="repeat(auto-fill, minmax(170px, 1fr))" gap="3">
        {tries.map(({ id, number, notes }) => (
          <Box
            key={id}
            borderTop={notes.final ? "3px solid" : "1px solid"}
            borderColor={notes.final ? "accent" : "line"}
            paddingTop="2"
          >
            <Box
              as="button"
              width="100%"
              textAlign="left"
              background="transparent"
              border="none"
              cursor="pointer"
              aria-expanded={open === id}
              onClick={() => {
                const now = open === id ? null : id;
                setOpen(now);
                look(now);
              }}
            >
              <b>
                Print {number}
                {notes.final && ", final"}
              </b>
              <Small>
                {[notes.says, ...notes.marks.map((one) => one.says), notes.next_time]
                  .filter(Boolean)
                  .join("; ") || "not judged"}
              </Small>
            </Box>
          </Box>
        ))}
        <Box borderTop="3px solid" borderColor="accent" background="accentSoft" padding="2">
          <b>Print {(tries.at(-1)?.number ?? 0) + 1}, planned</b>
          {rework && (
            <Box>
              <Button variant="word" onClick={rework}>
                New paper or size
              </Button>
            </Box>
          )}
        </Box>
      </Grid>
      {tries
        .filter((each) => each.id === open)
        .map((each) => (
          <TryNoted
            key={each.id}
            print_id={view.print.id}
            tried={each}
            flush={flush}
            mark={mark}
            marker={marker}
          />
        ))}
    </Box>
  );
}
