import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Small } from "../../components/text";
import { flashQuery } from "./queries";

/** Paper flashed by a strip of its own under even light: the time, for the note. */
export function FlashPaper({ keep }: { keep: (says: string) => void }) {
  const [white, setWhite] = useState("");
  const [grey, setGrey] = useState("");
  const asked = Boolean(white.trim() && grey.trim());
  const { data, error } = useQuery({ ...flashQuery(white, grey), enabled: asked });
  return (
    <Box as="details" paddingTop="4">
      <Box as="summary" cursor="pointer" minHeight="44px" fontWeight={550}>
        Flash the paper
      </Box>
      <Small>
        A strip under even light, without the negative: which step is the last that stays white,
        which the first with a trace of grey?
      </Small>
      <Grid templateColumns="1fr 1fr" gap="4" paddingTop="2">
        <Entry
          label="Last white, s"
          inputMode="decimal"
          value={white}
          onText={setWhite}
          problem={asked ? error?.message : null}
        />
        <Entry label="First grey, s" inputMode="decimal" value={grey} onText={setGrey} />
      </Grid>
      {asked && data && (
        <Box paddingTop="2" aria-live="polite">
          {data.says}.{" "}
          <Button variant="word" onClick={() => keep(data.says)}>
            Into the note
          </Button>
        </Box>
      )}
    </Box>
  );
}
