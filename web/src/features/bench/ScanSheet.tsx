import { Box, Flex, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { carryOut } from "../../api/acts";
import { newId } from "../../api/client";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { FileButton } from "../../components/FileButton";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../shared/useWrite";
import {
  attachScan,
  type Place,
  readScan,
  type StripScan,
  type TestView,
  testFilmQuery,
} from "./queries";

type Wedge = Place & { density: string };
interface Mark {
  key: string;
  label: string;
  at: Place;
  move: (to: Place) => void;
  kind: "patch" | "clear" | "wedge";
}

const held = (value: number) => Math.min(1, Math.max(0, value));
const between = (a: Place, b: Place, count: number): Place[] =>
  Array.from({ length: count }, (_, place) => {
    const share = count > 1 ? place / (count - 1) : 0;
    return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
  });

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
  take: (densities: number[], clear: number | null) => void;
}) {
  const { test } = view;
  const client = useQueryClient();
  const pictures = useQuery(testFilmQuery(test.id)).data?.pictures ?? [];
  const [chosen, setChosen] = useState("");
  const picture = pictures.find((each) => each.id === chosen) ?? pictures.at(-1);
  const [patches, setPatches] = useState<Place[]>(() =>
    between({ x: 0.06, y: 0.28 }, { x: 0.94, y: 0.28 }, count),
  );
  const [clear, setClear] = useState<Place>({ x: 0.5, y: 0.06 });
  const [wedge, setWedge] = useState<Wedge[]>([]);
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
    queryKey: ["bench", "scan", test.id, now],
    queryFn: () => readScan(test.id, now),
    enabled: Boolean(picture),
    retry: false,
    placeholderData: keepPreviousData,
    meta: { reads: ["attachment"] },
  });
  const attach = async (file: File | undefined) => {
    if (!file) return;
    const id = newId();
    setGoing(0);
    await ask(() => carryOut(client, attachScan(id, test.id, file), setGoing));
    setGoing(null);
    setChosen(id);
  };
  const lay = (number: number) =>
    setPatches((before) =>
      between(before[0] ?? { x: 0.1, y: 0.3 }, before.at(-1) ?? { x: 0.9, y: 0.3 }, number),
    );
  const movePatch = (place: number) => (to: Place) =>
    setPatches((before) => {
      // the two ends carry the row with them; any other is moved alone
      const last = before.length - 1;
      if (place === 0) return between(to, before[last] ?? to, before.length);
      if (place === last) return between(before[0] ?? to, to, before.length);
      return before.map((each, index) => (index === place ? to : each));
    });
  const marks: Mark[] = [
    ...patches.map((at, place) => ({
      key: `p${place}`,
      label: `Patch ${place + 1}`,
      at,
      move: movePatch(place),
      kind: "patch" as const,
    })),
    { key: "clear", label: "Clear film", at: clear, move: setClear, kind: "clear" as const },
    ...wedge.map((each, place) => ({
      key: `w${place}`,
      label: `Wedge step ${place + 1}`,
      at: each,
      move: (to: Place) =>
        setWedge((before) =>
          before.map((one, index) => (index === place ? { ...one, ...to } : one)),
        ),
      kind: "wedge" as const,
    })),
  ];
  const samples = read.data?.samples ?? [];
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
              !read.data || Boolean(refused) || samples.length !== read.data.densities.length
            }
            onClick={() => read.data && take(read.data.densities, read.data.base_fog)}
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
            options={pictures.map((each) => ({ value: each.id, label: each.name }))}
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
        {!picture && <Box color="ink2">16-bit TIFF without corrections is best.</Box>}
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
              onChange={(event) => setSize(event.target.value)}
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
              <Button
                onClick={() =>
                  setWedge((before) => [
                    ...before,
                    { x: held(0.1 + 0.16 * before.length), y: 0.75, density: "" },
                  ])
                }
              >
                Add wedge step
              </Button>
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
                    onChange={(event) => {
                      const { value } = event.target;
                      setWedge((before) =>
                        before.map((one, index) =>
                          index === place ? { ...one, density: value } : one,
                        ),
                      );
                    }}
                  />
                </Box>
              ))}
              <Button variant="quiet" onClick={() => setWedge((before) => before.slice(0, -1))}>
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
          {!refused && samples.length > 0 && (
            <Box aria-live="polite" paddingTop="3">
              <Box as="ol" display="flex" flexWrap="wrap" columnGap="5" aria-label="Densities read">
                {samples.map((each) => (
                  <Box as="li" key={each.id} fontSize="15px" listStyleType="none">
                    <Box as="span" color="ink2">
                      {each.id}
                    </Box>{" "}
                    <b>{each.density === null ? "none" : each.density.toFixed(2)}</b>
                    {each.uncertainty !== null && (
                      <Box as="span" color="ink2">
                        {" "}
                        ±{each.uncertainty.toFixed(2)}
                      </Box>
                    )}
                  </Box>
                ))}
              </Box>
              {read.data?.base_fog != null && (
                <Box color="ink2">Clear film {read.data.base_fog.toFixed(2)}</Box>
              )}
              {read.data?.says.map((each) => (
                <Box key={each} color="ink2">
                  {each}
                </Box>
              ))}
            </Box>
          )}
        </>
      )}
      <Problem of={problem} />
    </Sheet>
  );
}

/** The picture with its marks, each dragged or moved by arrow keys. */
function Laid({
  picture,
  ratio,
  marks,
  size,
  settle,
}: {
  picture: string;
  ratio: number;
  marks: Mark[];
  size: number;
  settle: () => void;
}) {
  const ground = useRef<HTMLDivElement>(null);
  const grip = useRef<string | null>(null);
  const placed = (event: PointerEvent): Place => {
    const box = ground.current?.getBoundingClientRect();
    if (!box) return { x: 0.5, y: 0.5 };
    return {
      x: held((event.clientX - box.left) / box.width),
      y: held((event.clientY - box.top) / box.height),
    };
  };
  const keyed = (mark: Mark) => (event: KeyboardEvent) => {
    const by = event.shiftKey ? 0.02 : 0.004;
    const [x, y] = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by * ratio],
      ArrowDown: [0, by * ratio],
    }[event.key] ?? [0, 0];
    if (!x && !y) return;
    event.preventDefault();
    mark.move({ x: held(mark.at.x + (x ?? 0)), y: held(mark.at.y + (y ?? 0)) });
    settle();
  };
  const colour = { patch: "accent", clear: "ochre", wedge: "brick" };
  return (
    <Box ref={ground} position="relative" touchAction="none" style={{ aspectRatio: ratio }}>
      <img
        src={picture}
        alt="The scan"
        style={{ width: "100%", height: "100%" }}
        draggable={false}
      />
      {marks.map((mark) => (
        <Box
          key={mark.key}
          role="button"
          tabIndex={0}
          aria-label={`${mark.label}, at ${Math.round(100 * mark.at.x)} and ${Math.round(100 * mark.at.y)} %`}
          position="absolute"
          left={`${100 * mark.at.x}%`}
          top={`${100 * mark.at.y}%`}
          width={`max(${100 * size}%, 12px)`}
          style={{ aspectRatio: 1, transform: "translate(-50%, -50%)" }}
          border="2px solid"
          borderColor={colour[mark.kind]}
          outline="1px solid white"
          cursor="move"
          onKeyDown={keyed(mark)}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            grip.current = mark.key;
          }}
          onPointerMove={(event) => grip.current === mark.key && mark.move(placed(event))}
          onPointerUp={() => {
            grip.current = null;
            settle();
          }}
        />
      ))}
    </Box>
  );
}
