import { Box } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { devicesQuery, kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Table } from "../../components/Table";
import { Quiet } from "../../components/text";
import { typedRows } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { shutterQuery, takeShutter, testShutter } from "./queries";
import { useVersionsAtFirst } from "./useVersionsAtFirst";

export function ShutterCheck({ close }: { close: () => void }) {
  const kit = useQuery(kitQuery).data;
  const lenses = offered(kit?.lenses);
  const simulated = useQuery(devicesQuery).data?.simulated;
  const versionOf = useVersionsAtFirst();
  const [lensId, setLensId] = useState("");
  const lens = lenses.find((each) => each.id === lensId) ?? lenses[0];
  // a shutter in the body is the camera's, and measured once for all its lenses
  const body = kit?.cameras.find((each) => each.id === lens?.camera_id && each.shutter);
  const [text, setText] = useState("");
  const writing = useWrite(close);
  const readings = { lens_id: lens?.id ?? "", marks: typedRows<Schemas["MarkReadings"]>(text) };
  const found = useQuery({
    ...shutterQuery(readings),
    enabled: Boolean(lens) && text.trim() !== "",
    placeholderData: keepPreviousData,
  });
  const test = () =>
    writing.ask(async () => {
      if (!lens) return;
      const shutter = body?.shutter ?? lens.optics.shutter;
      const said = await testShutter({ ...shutter, measured: [] });
      setText((before) => {
        const known = new Map(before.split("\n").flatMap((line) => entry(line)));
        return said.measured
          .map(
            (each) =>
              `${each.mark}  ${[known.get(each.mark), each.seconds].filter(Boolean).join(" ")}`,
          )
          .join("\n");
      });
    });
  return (
    <FormSheet
      title="Check a shutter"
      close={close}
      writing={writing}
      keep={() => void writing.write(takeShutter(readings, versionOf(body ? body.id : lens?.id)))}
      says="Use these times"
      unready={!found.data || Boolean(found.error)}
    >
      <Choose label="Lens" value={lens?.id ?? ""} options={named(lenses)} onChange={setLensId} />
      {body && <Quiet>The shutter in {body.name} is measured for all its lenses.</Quiet>}
      <Entry
        label="Readings: mark, then seconds"
        help="one mark on a line, as 1/60 0.0208 0.0213 0.0209"
        multiline
        rows={7}
        value={text}
        onText={setText}
        problem={found.error?.message ?? null}
      />
      {simulated && (
        <Box>
          <Button onClick={test}>Simulated tester (demo only)</Button>
        </Box>
      )}
      {found.data && text.trim() !== "" && !found.error && (
        <Box aria-live="polite">
          <Table
            heads={["Mark", "gives", "against its mark"]}
            lines={found.data.marks.map((each) => ({
              id: each.mark,
              cells: [each.mark, <b key="gives">{each.mean_text}</b>, each.error_text],
              says: each.says,
            }))}
          />
          <Box color="ink2" paddingTop="2">
            {found.data.says}
          </Box>
        </Box>
      )}
    </FormSheet>
  );
}

function entry(line: string): [string, string][] {
  const [mark, ...rest] = line.trim().split(/\s+/);
  return mark && rest.length ? [[mark, rest.join(" ")]] : [];
}
