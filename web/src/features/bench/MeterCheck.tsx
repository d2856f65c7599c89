import { Box, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Quiet } from "../../components/text";
import { typedRows } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { metersQuery, takeMeters } from "./queries";
import { useVersionsAtFirst } from "./useVersionsAtFirst";

export function MeterCheck({ close }: { close: () => void }) {
  const meters = offered(useQuery(kitQuery).data?.meters);
  const versionOf = useVersionsAtFirst();
  const [trusted, setTrusted] = useState("");
  const [other, setOther] = useState("");
  const [text, setText] = useState("");
  const one = meters.find((each) => each.id === trusted) ?? meters[0];
  const rest = meters.filter((each) => each.id !== one?.id);
  const two = rest.find((each) => each.id === other) ?? rest[0];
  const writing = useWrite(close);
  const readings = {
    trusted_id: one?.id ?? "",
    other_id: two?.id ?? "",
    pairs: typedRows<Schemas["MeterPair"]>(text),
  };
  const found = useQuery({
    ...metersQuery(readings),
    enabled: Boolean(one && two) && text.trim() !== "",
    placeholderData: keepPreviousData,
  });
  return (
    <FormSheet
      title="Compare two meters"
      close={close}
      writing={writing}
      keep={() => void writing.write(takeMeters(readings, versionOf(two?.id)))}
      says={`Correct ${two?.name ?? "the other"}`}
      unready={!found.data || Boolean(found.error)}
    >
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
        <Choose
          label="Trusted meter"
          value={one?.id ?? ""}
          options={named(meters)}
          onChange={setTrusted}
        />
        <Choose
          label="Other meter"
          value={two?.id ?? ""}
          options={named(rest)}
          onChange={setOther}
        />
      </Grid>
      <Entry
        label="The same patches, EV at ISO 100"
        help="one patch on a line: its name, the trusted meter, the other, as slate 9.3 9.6"
        multiline
        rows={5}
        value={text}
        onText={setText}
        problem={found.error?.message ?? null}
      />
      <Notice tone="caution">Never aim a meter or a viewfinder at the sun.</Notice>
      {found.data && text.trim() !== "" && !found.error && (
        <Box aria-live="polite">
          <Box>
            Patch by patch: {found.data.differences.join(", ")}. Add <b>{found.data.add_text}</b> to{" "}
            {two?.name}.
          </Box>
          <Quiet>{found.data.says.join(" ")}</Quiet>
        </Box>
      )}
    </FormSheet>
  );
}
