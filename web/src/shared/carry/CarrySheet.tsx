import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Sheet } from "../../components/Sheet";
import { Small } from "../../components/text";
import { CANNOT_KEEP } from "../../field/files";
import { useCarrying } from "../../field/mode";
import { type Progress, take } from "../../field/taking";
import { FromOutThere } from "./FromOutThere";
import { megabytes } from "./HomeSheet";
import { OnPhone } from "./OnPhone";

/** On the machine itself one is told how a phone comes to a copy. */
const HERE = ["127.0.0.1", "localhost", "[::1]"];

/** Why this browser cannot carry a copy; nothing when it can. */
function why(): string {
  if (!window.isSecureContext)
    return "A browser carries a copy only from an address it trusts: from this machine itself, or by https. Start Emulsa with: emulsa serve --network, and open the address it shows.";
  if (!navigator.serviceWorker || !navigator.locks || !navigator.storage?.getDirectory)
    return CANNOT_KEEP;
  return "";
}

/** Carrying a copy along: fetched once, then everything works without a network. */
export function CarrySheet({ close }: { close: () => void }) {
  const carrying = useCarrying();
  const [progress, setProgress] = useState<Progress | null>(null);
  const [problem, setProblem] = useState(why);
  const [ready, setReady] = useState(false);
  const fetched = async () => {
    setProblem("");
    setProgress({ done: 0, total: 0 });
    try {
      await take(setProgress);
      setReady(true);
    } catch (failed) {
      setProblem((failed as Error).message);
    }
    setProgress(null);
  };
  return (
    <Sheet
      open
      close={close}
      title="Carry along"
      footer={
        ready ? (
          <Button variant="main" onClick={() => window.location.assign("/")}>
            Go on in the carried copy
          </Button>
        ) : (
          <>
            <Button onClick={close}>Close</Button>
            <Button
              variant="main"
              disabled={Boolean(progress || carrying || why())}
              onClick={() => void fetched()}
            >
              Make a field copy
            </Button>
          </>
        )
      }
    >
      <Flex direction="column" gap="4">
        <Box>
          A copy of your log on this device, for where there is no network: metering, exposing,
          loading, looking up, developing. Back home you hand in what was done there.
        </Box>
        {progress && (
          <Box aria-live="polite">
            <progress
              max={progress.total || 1}
              value={progress.total ? progress.done : undefined}
              aria-label="Fetched"
              style={{ width: "100%" }}
            />
            <Box>
              {megabytes(progress.done)} of {megabytes(progress.total)}
            </Box>
          </Box>
        )}
        {ready && (
          <>
            <Box fontWeight={600} role="status">
              Ready without network.
            </Box>
            {carrying && !carrying.promised && (
              <Notice tone="caution">
                The browser did not promise to keep the copy: when the device is short of space it
                may go. Save to a file after each outing, and put Emulsa on the home screen: apps
                there are kept longer.
              </Notice>
            )}
          </>
        )}
        {problem && (
          <Notice tone="refusal" live>
            {problem}
          </Notice>
        )}
        {!ready && !carrying && <FromOutThere />}
        {!ready && HERE.includes(window.location.hostname) && <OnPhone />}
        <Small>
          Pictures are taken small; PDFs and calendars wait for home. On a phone put Emulsa on the
          home screen first (in the browser’s menu, “Add to Home screen” or “Install”), and take the
          copy there: on iOS what a tab keeps is not on the home screen.
        </Small>
      </Flex>
    </Sheet>
  );
}
