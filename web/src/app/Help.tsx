import { Box } from "@chakra-ui/react";
import { Button } from "../components/Button";
import { Sheet } from "../components/Sheet";
import { Small } from "../components/text";
import { useNarrow } from "../components/useNarrow";
import { ROOMS } from "./rooms";

const KEYS = [
  ["g 1 … g 9", ROOMS.map((room) => `${room.key} ${room.name}`).join(", ")],
  ["0 … 9", "in Scene: begin a reading"],
  ["/", "in Scene: type a reading, as 9 shade III, f/32, draw 30; in Log: search"],
  ["e · b", "Expose · bracket"],
  ["u · U", "undo · redo the last action"],
  ["← →", "move the pin or N handle that has the focus"],
  ["↓ ↑ Home End", "in Log: from line to line; Enter opens, v changes lines and pictures"],
  ["?", "this list"],
] as const;

/** What can be typed on the reading line; a phone has no other keys. */
const LINES = [
  ["9 shade III", "a reading: its EV, its name, its zone"],
  ["13 1/3 bark", "fractions of an EV"],
  ["1/2@22 frost VII", "a time at an aperture, as the meter says it"],
  ["f/32", "the aperture"],
  ["draw 30", "30 mm past infinity focus"],
  ["time 1/2", "the time first: the aperture follows"],
  ["film Corvane", "a film, lens or filter by its name"],
  ["N−1", "the development"],
  ["note windy", "a note on the scene"],
] as const;

function Typed() {
  return (
    <table aria-label="What can be typed on the reading line">
      <tbody>
        {LINES.map(([typed, what]) => (
          <tr key={typed}>
            <Box as="th" textAlign="left" paddingBlock="2" paddingRight="4" whiteSpace="nowrap">
              {typed}
            </Box>
            <td>{what}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The keys, and what nobody should do. */
export function Help({ close }: { close: () => void }) {
  const touch = useNarrow();
  return (
    <Sheet
      open
      close={close}
      title="Help and keys"
      footer={
        <Button variant="main" autoFocus onClick={close}>
          Close
        </Button>
      }
    >
      {touch && <Typed />}
      <table hidden={touch}>
        <tbody>
          {KEYS.map(([key, what]) => (
            <tr key={key}>
              <Box as="th" textAlign="left" paddingBlock="2" paddingRight="6" whiteSpace="nowrap">
                {key}
              </Box>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Small marginTop="3">
        Never aim a meter or a viewfinder at the sun. Follow the makers' instructions and local
        rules; this program advises.
      </Small>
    </Sheet>
  );
}
