import { Box, Dialog, Portal } from "@chakra-ui/react";
import { ROOMS } from "./rooms";

const KEYS = [
  [ROOMS.map((room) => room.key).join(" "), ROOMS.map((room) => room.name).join(", ")],
  ["/", "in Scene: type a reading, as 9 shade III, f/32, draw 30; in Log: search"],
  ["e · b", "expose the scene on a loaded side · a bracket"],
  ["u · U", "undo · redo the last action"],
  ["← →", "move the pin or N handle that has the focus"],
  ["↓ ↑ Home End", "in Log: from line to line; Enter opens, v changes lines and pictures"],
  ["?", "this list"],
] as const;

/** The keys, and what nobody should do. */
export function Help({ open, close }: { open: boolean; close: () => void }) {
  return (
    <Dialog.Root open={open} onOpenChange={(change) => !change.open && close()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>Help and keys</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <table>
                <tbody>
                  {KEYS.map(([key, what]) => (
                    <tr key={key}>
                      <Box
                        as="th"
                        textAlign="left"
                        paddingBlock="2"
                        paddingRight="6"
                        whiteSpace="nowrap"
                      >
                        {key}
                      </Box>
                      <td>{what}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <Box color="ink2" marginTop="3" fontSize="14px">
                Never aim a meter or a viewfinder at the sun. Follow the makers' instructions and
                local rules; this program advises.
              </Box>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
