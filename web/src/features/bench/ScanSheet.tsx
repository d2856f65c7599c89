import { Box, Flex, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { carryOut } from "../../api/acts";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { FileButton } from "../../components/FileButton";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Quiet } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../shared/useWrite";
import { DensitiesRead } from "./DensitiesRead";
import { Laid } from "./Laid";
import { useMarks } from "./marks";
import { attachScan, type StripScan, scanQuery, type TestView, testFilmQuery } from "./queries";

/** Patches laid over the scan of a strip; their densities are read from the file as it was scanned. */
export function ScanSheet({
  view,
  count,
  close,
  take,
}: {
  view: TestView;
  count: number;
  close: () => void;
  take: (column: string, fog: string) => void;
}) {
  const { test } = view;
  const client = useQueryClient();
  const pictures = useQuery(testFilmQuery(test.id)).data?.pictures ?? [];
  const [chosen, setChosen] = useState("");
  const picture = pictures.find((each) => each.id === chosen) ?? pictures.at(-1);
  const { patches, clear, wedge, marks, lay, addStep, dropStep, setDensity } = useMarks(count);
  const [size, setSize] = useState("0.02");
  const [encoding, setEncoding] = useState<StripScan["encoding"]>("linear");
  const [going, setGoing] = useState<number | null>(null);
  const { ask, problem } = useWrite();
  const scan: StripScan = {
    attachment_id: picture?.id ?? "",
    encoding,
    size: typedNumber(size),
    patches,
    clear,
    wedge: wedge
      .filter((each) => each.density.trim())
      .map((each) => ({ x: each.x, y: each.y, density: typedNumber(each.density) })),
  };
  const [asked, setAsked] = useState(scan);
  const settle = () => setAsked(scan);
  const now = JSON.stringify(scan) === JSON.stringify(asked) ? asked : scan;
  const read = useQuery({
    ...scanQuery(test.id, now),
    enabled: Boolean(picture),
    retry: false,
    placeholderData: keepPreviousData,
  });
  const attach = async (file: File | undefined) => {
    if (!file) return;
    const id = newId();
    setGoing(0);
    await ask(() => carryOut(client, attachScan(id, test.id, file), setGoing));
    setGoing(null);
    setChosen(id);
  };
  const readings = read.data?.patches ?? [];
  const refused = read.error?.message ?? null;
  return (
    <Sheet
      open
      wide
      close={close}
      title="Densities from a scan"
      footer={
        <>
          <Button onClick={close}>Back</Button>
          <Button
            variant="main"
            disabled={
              !read.data || Boolean(refused) || readings.length !== read.data.densities.length
            }
            onClick={() => read.data && take(read.data.column, read.data.fog_text)}
          >
            Use these densities
          </Button>
        </>
      }
    >
      <Flex gap="3" wrap="wrap" align="flex-end" paddingBottom="3">
        {pictures.length > 1 && (
          <Choose
            label="Scan"
            value={picture?.id ?? ""}
            options={named(pictures)}
            onChange={setChosen}
          />
        )}
        <FileButton
          name="Scan of the strip"
          accept="image/tiff,image/png,image/jpeg"
          take={([file]) => void attach(file)}
        >
          Attach a scan
        </FileButton>
        {going !== null && <Box role="status">{Math.round(100 * going)} %</Box>}
        {!picture && <Quiet>16-bit TIFF without corrections is best.</Quiet>}
      </Flex>
      {picture && (
        <>
          <Laid
            picture={`/api/attachments/${picture.id}/view`}
            ratio={picture.width / picture.height}
            marks={marks}
            size={typeof scan.size === "number" ? scan.size : 0.02}
            settle={settle}
          />
          <Grid templateColumns={{ base: "1fr 1fr", md: "repeat(4, 1fr)" }} gap="4" paddingTop="3">
            <Entry
              label="Patches"
              inputMode="numeric"
              defaultValue={String(patches.length)}
              onBlur={(event) => {
                const number = Math.round(Number(event.target.value));
                if (number >= 1 && number <= 60) lay(number);
                else event.target.value = String(patches.length);
              }}
            />
            <Entry
              label="Patch size, of the width"
              inputMode="decimal"
              value={size}
              onText={setSize}
              problem={read.error?.message.includes("size") ? read.error.message : null}
            />
            <Choose
              label="Scanner writes"
              value={encoding}
              options={[
                { value: "linear", label: "linear light" },
                { value: "srgb", label: "sRGB" },
              ]}
              onChange={(value) => setEncoding(value as StripScan["encoding"])}
            />
            <Flex align="flex-end" gap="2">
              <Button onClick={addStep}>Add wedge step</Button>
            </Flex>
          </Grid>
          {wedge.length > 0 && (
            <Flex as="fieldset" gap="3" wrap="wrap" paddingTop="3" align="flex-end">
              <Box as="legend" fontSize="14px" color="ink2">
                Densities of the wedge
              </Box>
              {wedge.map((each, place) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a step is what its place is
                <Box width="110px" key={place}>
                  <Entry
                    label={`Density ${place + 1}`}
                    inputMode="decimal"
                    value={each.density}
                    onText={(text) => setDensity(place, text)}
                  />
                </Box>
              ))}
              <Button variant="quiet" onClick={dropStep}>
                Remove last step
              </Button>
            </Flex>
          )}
          {refused && (
            <Box paddingTop="3">
              <Notice tone="refusal" live>
                {refused}
              </Notice>
            </Box>
          )}
          {!refused && read.data && readings.length > 0 && <DensitiesRead read={read.data} />}
        </>
      )}
      <Problem of={problem} />
    </Sheet>
  );
}
