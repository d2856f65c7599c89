import { Box, Flex } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { devicesQuery, kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Quiet } from "../../components/text";
import { typedRows } from "../../components/typedNumber";
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
  const { write, ask, problem, busy } = useWrite(close);
  const readings = { lens_id: lens?.id ?? "", marks: typedRows<Schemas["MarkReadings"]>(text) };
  const found = useQuery({
    ...shutterQuery(readings),
    enabled: Boolean(lens) && text.trim() !== "",
    placeholderData: keepPreviousData,
  });
  const test = () =>
    ask(async () => {
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
    <Sheet
      open
      close={close}
      title="Check a shutter"
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button
            variant="main"
            disabled={busy || !found.data || Boolean(found.error)}
            onClick={() => void write(takeShutter(readings, versionOf(body ? body.id : lens?.id)))}
          >
            Use these times
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
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
            <Box
              as="table"
              width="100%"
              css={{
                "& td, & th": { padding: "6px 8px 6px 0", textAlign: "left" },
                "& b": { whiteSpace: "nowrap" },
              }}
            >
              <thead>
                <Box as="tr" color="ink2" fontSize="13px">
                  <th>Mark</th>
                  <th>gives</th>
                  <th>against its mark</th>
                  <th>
                    <Box as="span" srOnly>
                      remark
                    </Box>
                  </th>
                </Box>
              </thead>
              <tbody>
                {found.data.marks.map((each) => (
                  <Box as="tr" key={each.mark} borderTop="1px solid" borderColor="line">
                    <td>{each.mark}</td>
                    <td>
                      <b>{each.mean_text}</b>
                    </td>
                    <td>{each.error_text}</td>
                    <Box as="td" color="ochre" fontSize="13px">
                      {each.says}
                    </Box>
                  </Box>
                ))}
              </tbody>
            </Box>
            <Box color="ink2" paddingTop="2">
              {found.data.says}
            </Box>
          </Box>
        )}
        <Problem of={problem} />
      </Flex>
    </Sheet>
  );
}

function entry(line: string): [string, string][] {
  const [mark, ...rest] = line.trim().split(/\s+/);
  return mark && rest.length ? [[mark, rest.join(" ")]] : [];
}
