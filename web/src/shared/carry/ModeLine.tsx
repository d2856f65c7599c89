import { Box, Flex } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { X } from "lucide-react";
import { type ReactNode, useEffect, useState } from "react";
import { Button } from "../../components/Button";
import { lately } from "../../components/days";
import { Notice } from "../../components/Notice";
import { kept, leads } from "../../field/carried";
import { type Carrying, useCarrying } from "../../field/mode";
import { outcomeRead, useOutcome } from "../../field/outcome";
import { picturesWaiting, sendPictures } from "../../field/pictures";
import { saveFile } from "../../field/saving";
import { SINGLE } from "../../field/single";
import { Asides } from "./Asides";
import { HomeSheet } from "./HomeSheet";
import { carryQuery } from "./queries";
import { useWaiting } from "./useWaiting";

const SHORT_OF_BYTES = 50_000_000;

/** Where one is: in a carried copy, of when, with how much to hand in; or at home. Never silent. */
export function ModeLine() {
  const carrying = useCarrying();
  if (SINGLE) return <OneFile />;
  return carrying ? <Away carrying={carrying} /> : <AtHome />;
}

function Away({ carrying }: { carrying: Carrying }) {
  const waiting = useWaiting(carrying.at);
  const [open, setOpen] = useState(false);
  const [wrong, setWrong] = useState<"tab" | "gone" | "short" | null>(null);
  const client = useQueryClient();
  useEffect(() => {
    let here = true;
    void (async () => {
      if (!(await leads())) return here && setWrong("tab");
      const { quota = 0, usage = 0 } = (await navigator.storage.estimate?.()) ?? {};
      if (here && quota > 0 && quota - usage < SHORT_OF_BYTES) setWrong("short");
      const bytes = await kept().catch(() => null);
      if (here && bytes === 0) setWrong("gone");
    })();
    return () => {
      here = false;
    };
  }, []);
  return (
    <>
      <Line>
        <Box flex="1">
          Carried copy, from {lately(carrying.at)}
          {(waiting.count ?? 0) > 0 && ` · ${waiting.count} to hand in`}
        </Box>
        <Button variant="quiet" onClick={() => setOpen(true)}>
          Back home
        </Button>
      </Line>
      {waiting.lost > 0 && (
        <Notice tone="refusal" live>
          The browser has removed a part of what it kept:{" "}
          {waiting.lost === 1 ? "one thing" : `${waiting.lost} things`} done in this copy
          {waiting.lost === 1 ? " is" : " are"} not here any more. Hand in what is, and look at home
          for what is missing.
        </Notice>
      )}
      {wrong === "tab" && (
        <Notice tone="caution" live>
          Emulsa is open in another tab of this browser, and that one holds the carried copy.{" "}
          <Button
            variant="word"
            onClick={async () => {
              if (!(await leads())) return;
              setWrong(null);
              void client.invalidateQueries();
            }}
          >
            Try again
          </Button>
        </Notice>
      )}
      {wrong === "gone" && (
        <Notice tone="refusal" live>
          The browser has removed the carried copy, and what was not handed in or saved to a file
          with it. Go back home and take a new one; keep it saved to a file next time.
        </Notice>
      )}
      {wrong === "short" && (
        <Notice tone="caution" live>
          This device is short of space, and a browser may remove what it keeps.{" "}
          <Button variant="word" onClick={() => void saveFile()}>
            Save to a file
          </Button>
        </Notice>
      )}
      {open && <HomeSheet waiting={waiting} close={() => setOpen(false)} />}
    </>
  );
}

/** A page that is one file: everything works, and nothing outlasts it but what is saved. */
function OneFile() {
  const waiting = useQuery(carryQuery).data?.waiting ?? 0;
  return (
    <Line>
      <Box flex="1">
        One file: what is done here lasts until it is closed
        {waiting > 0 && ` · ${waiting} not saved at home`}
      </Box>
      <Button variant="quiet" disabled={waiting === 0} onClick={() => void saveFile()}>
        Save to a file
      </Button>
    </Line>
  );
}

function AtHome() {
  const outcome = useOutcome();
  const [left, setLeft] = useState(0);
  const [why, setWhy] = useState<string[]>([]);
  useEffect(() => {
    void picturesWaiting().then(setLeft);
  }, []);
  const asides = useQuery(carryQuery).data?.undecided ?? 0;
  const [open, setOpen] = useState(false);
  return (
    <>
      <Line>
        <Box flex="1">
          At home{outcome && ` · Handed in: ${outcome}`}
          {asides > 0 &&
            ` · ${asides} of what was handed in ${asides === 1 ? "waits" : "wait"} for you`}
        </Box>
        {left > 0 && (
          <Button
            variant="quiet"
            onClick={async () => {
              setWhy(await sendPictures().catch(() => ["Home is not reached; try again."]));
              setLeft(await picturesWaiting());
            }}
          >
            {left === 1 ? "Send the picture" : `Send ${left} pictures`} again
          </Button>
        )}
        {outcome && (
          <Button variant="quiet" aria-label="Read" onClick={outcomeRead}>
            <X size={16} aria-hidden />
          </Button>
        )}
        {asides > 0 && (
          <Button variant="quiet" onClick={() => setOpen(true)}>
            Decide
          </Button>
        )}
      </Line>
      {why.length > 0 && (
        <Notice tone="caution" live>
          {why.join(" ")} What is not taken stays on this device.
        </Notice>
      )}
      {open && <Asides close={() => setOpen(false)} />}
    </>
  );
}

function Line({ children }: { children: ReactNode }) {
  return (
    <Flex
      role="status"
      aria-label="Where you are"
      align="center"
      minHeight="36px"
      paddingInline={{ base: "4", md: "6" }}
      fontSize="14px"
      color="accent"
      background="accentSoft"
      css={{ "& button": { minHeight: "36px", color: "accent" } }}
    >
      {children}
    </Flex>
  );
}
