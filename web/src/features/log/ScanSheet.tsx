import { useState } from "react";
import { Entry } from "../../components/Entry";
import { Fieldset } from "../../components/Fieldset";
import { Tick } from "../../components/Tick";
import { typedNumber } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
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
  const writing = useWrite(close);
  const wanted = { device, per_inch: points.trim() ? typedNumber(points) : null, note, ...done };
  const keep = (base: string) => writing.write(describeScan(picture.id, wanted, base));
  return (
    <FormSheet
      close={close}
      title={`How ${picture.name} was scanned`}
      writing={writing}
      keep={keep}
      base={version}
      mine={wanted}
    >
      <Entry label="Scanner or camera" value={device} onText={setDevice} field="device" />
      <Entry
        label="Points an inch"
        inputMode="decimal"
        value={points}
        onText={setPoints}
        field="per_inch"
      />
      <Fieldset legend="What was done">
        {DONE.map(({ field, label }) => (
          <Tick key={field} on={done[field]} set={(on) => setDone({ ...done, [field]: on })}>
            {label}
          </Tick>
        ))}
      </Fieldset>
      <Entry label="Note" multiline value={note} onText={setNote} field="note" />
    </FormSheet>
  );
}
