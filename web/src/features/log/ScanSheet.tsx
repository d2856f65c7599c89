import { Box, Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Entry } from "../../components/Entry";
import { FormFooter } from "../../components/FormFooter";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Tick } from "../../components/Tick";
import { typedNumber } from "../../components/typedNumber";
import { Conflict } from "../../shared/Conflict";
import { useWrite } from "../../shared/useWrite";
import { describeScan, type Story } from "./queries";

const DONE = [
  { field: "raw", label: "raw, not as the scanner's program likes it" },
  { field: "inverted", label: "inverted to a positive" },
  { field: "spotted", label: "only spotted, nothing else done" },
] as const;

/** How a scan was made, so that two of them are compared fairly. */
export function ScanSheet({
  picture,
  version,
  close,
}: {
  picture: Story["attachments"][number];
  version: string;
  close: () => void;
}) {
  const known = picture.scanned;
  const [device, setDevice] = useState(known?.device ?? "");
  const [points, setPoints] = useState(known?.per_inch == null ? "" : String(known.per_inch));
  const [note, setNote] = useState(known?.note ?? "");
  const [done, setDone] = useState({
    raw: known?.raw ?? false,
    inverted: known?.inverted ?? false,
    spotted: known?.spotted ?? false,
  });
  const { problem, write, busy, at, take } = useWrite(close);
  const wanted = { device, per_inch: points.trim() ? typedNumber(points) : null, note, ...done };
  const keep = (base: string) => write(describeScan(picture.id, wanted, base));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep(version);
  };
  return (
    <Sheet
      open
      close={close}
      title={`How ${picture.name} was scanned`}
      footer={
        <FormFooter close={close} form="scan" disabled={busy}>
          Save
        </FormFooter>
      }
    >
      <Flex direction="column" gap="4" as="form" id="scan" onSubmit={submit}>
        <Entry
          label="Scanner or camera"
          value={device}
          onChange={(event) => setDevice(event.target.value)}
          problem={at("device")}
        />
        <Entry
          label="Points an inch"
          inputMode="decimal"
          value={points}
          onChange={(event) => setPoints(event.target.value)}
          problem={at("per_inch")}
        />
        <Box as="fieldset">
          <Box as="legend" fontSize="14px" color="ink2">
            What was done
          </Box>
          {DONE.map(({ field, label }) => (
            <Tick key={field} on={done[field]} set={(on) => setDone({ ...done, [field]: on })}>
              {label}
            </Tick>
          ))}
        </Box>
        <Entry
          label="Note"
          multiline
          value={note}
          onChange={(event) => setNote(event.target.value)}
          problem={at("note")}
        />
        <Problem of={problem} fields={["device", "per_inch", "note"]} />
        <Conflict problem={problem} mine={wanted} keep={keep} take={take} />
      </Flex>
    </Sheet>
  );
}
