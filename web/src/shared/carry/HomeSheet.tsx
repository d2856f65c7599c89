import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Sheet } from "../../components/Sheet";
import { Small } from "../../components/text";
import { Fault } from "../../field/carried";
import { handIn } from "../../field/handingIn";
import { deviceName, nameDevice } from "../../field/mode";
import { tellOutcome } from "../../field/outcome";
import { saveFile } from "../../field/saving";
import { leave, take } from "../../field/taking";
import { saysWaiting, type Waiting } from "./useWaiting";

/** Handing in what was done in the carried copy, then home, or on with a new copy. */
export function HomeSheet({ waiting, close }: { waiting: Waiting; close: () => void }) {
  const [device, setDevice] = useState(deviceName);
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const attempt = async (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    try {
      await work();
    } catch (failed) {
      const away =
        (failed instanceof TypeError && !(failed instanceof Fault)) ||
        (failed as Error).name === "TimeoutError";
      setProblem(
        away
          ? "Home is not reached. Everything stays here; try again when you are there."
          : (failed as Error).message,
      );
    }
    setBusy(false);
  };
  const handedIn = async () => {
    nameDevice(device);
    const came = await handIn(deviceName(), (done, total) =>
      setSaid(`${done} of ${total} handed in`),
    );
    setSaid(tellOutcome(came));
  };
  const home = () =>
    attempt(async () => {
      await handedIn();
      await leave();
      window.location.reload();
    });
  const onward = () =>
    attempt(async () => {
      await handedIn();
      await take(({ done, total }) =>
        setSaid(`New copy: ${megabytes(done)} of ${megabytes(total)}`),
      );
      window.location.reload();
    });
  const saved = async () => {
    const left = await saveFile();
    if (left > 0)
      throw new Error(
        `Saved; ${left === 1 ? "one picture" : `${left} pictures`} found no room in one file: hand` +
          " in from this device to bring them home.",
      );
  };
  return (
    <Sheet
      open
      close={close}
      title="Back home"
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button disabled={busy} onClick={() => void onward()}>
            Hand in, and carry on
          </Button>
          <Button variant="main" disabled={busy} onClick={() => void home()}>
            Hand in
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <Box>{saysWaiting(waiting)}</Box>
        {waiting.problem && <Notice tone="refusal">{waiting.problem}</Notice>}
        <Box aria-live="polite">{said}</Box>
        {problem && (
          <Notice tone="refusal" live>
            {problem}
          </Notice>
        )}
        <Box>
          <Button disabled={busy} onClick={() => void attempt(saved)}>
            Save to a file
          </Button>
          <Small paddingTop="2">
            A browser may remove what it keeps when the device is short of space. A file in your
            files is safe, pictures too; at home it is handed in under Kit, Carry along.
          </Small>
        </Box>
        <Entry label="This device" value={device} maxLength={40} onText={setDevice} />
      </Flex>
    </Sheet>
  );
}

export const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;
