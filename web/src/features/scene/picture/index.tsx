import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { Button } from "../../../components/Button";
import { Notice } from "../../../components/Notice";
import { useSize } from "../../../components/useSize";
import { BEGUN } from "../../../service/service";
import { type Known, Print, useIndexes } from "../../../shared/picture/Print";
import { type Pixels, pixelsQuery, spotAt } from "../../../shared/picture/pixels";
import { useLatest } from "../../../shared/useLatest";
import type { Scene } from "../queries";
import type { Change } from "../useKeeping";
import { PictureSheet } from "./PictureSheet";
import { type Circle, Places } from "./Places";
import { type Asked, type Picture, readOff, type Seen, seen } from "./queries";
import { ReadHere } from "./ReadHere";

const SEEN_MS = 33;
/** A picture beside its print is no higher: the bridge lies under them. */
const HIGHEST = 236;
const GAP = 16;

export interface PictureViewProps {
  /** as it would be after what is being dragged */
  scene: Scene;
  picture: Picture;
  placed: string | null;
  /** both beside each other, or one of them */
  show: "both" | "picture" | "print";
  stamp: number;
  edit: (change: Change) => Promise<void>;
  open: (id: string) => void;
  onSeen: (seen: Seen) => void;
}

/** A scene's picture: what its readings say of every place, and how it will print. */
export default function PictureView(props: PictureViewProps) {
  const { scene, picture, placed, show, stamp, edit, open, onSeen } = props;
  const { id } = picture.attachment;
  const pixels = useQuery(pixelsQuery(id));
  const [circle, setCircle] = useState<Circle | null>(null);
  const [moving, setMoving] = useState<string | null>(null);
  const [sheet, setSheet] = useState(false);
  const [proposing, setProposing] = useState(false);
  const [held, setHeld] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const loaded = pixels.data;
  const spot = useMemo(
    () => (circle && loaded ? spotAt(loaded, circle.x, circle.y, circle.radius) : null),
    [circle, loaded],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: what it is metered by, or the kit, changed
  const asking = useMemo<Asked | null>(
    () =>
      loaded
        ? {
            scene,
            edits: [],
            asked: {
              ...BEGUN.seeing,
              probe: spot,
              rings: loaded.rings,
              tiles: proposing ? loaded.tiles : null,
              drawn_width: loaded.width,
            },
            paper_id: null,
          }
        : null,
    [scene, loaded, spot, proposing, stamp, picture.version],
  );
  const known = useRef<Known | null>(null);
  const found =
    useLatest(
      asking,
      async (wanted) => {
        const tables = known.current?.tables ?? "";
        const answer = await seen({ ...wanted, asked: { ...wanted.asked, tables } });
        if (answer?.look_up) known.current = { tables: answer.tables, look_up: answer.look_up };
        return answer;
      },
      SEEN_MS,
    ) ?? undefined;
  useEffect(() => {
    if (found) onSeen(found);
  }, [found, onSeen]);
  const tables = found && found.tables === known.current?.tables ? known.current : null;
  const indexes = useIndexes(loaded, tables, found?.blur?.boxes.join(" ") ?? "");

  if (pixels.error) return <Notice tone="warning">{pixels.error.message}</Notice>;
  const put = (next: Circle, moved?: { id: string; done: boolean }) => {
    setCircle(next);
    setMoving(moved ? moved.id : null);
    if (!moved?.done || !loaded || !found) return;
    const taken = scene.readings.find((each) => each.id === moved.id);
    const there = spotAt(loaded, next.x, next.y, next.radius);
    const change: Change =
      taken?.reading.kind === "photo"
        ? [readOff(moved.id, "", taken.reading, there)]
        : [{ kind: "put_at", id: moved.id, spot: there }];
    void edit(change)
      .catch(() => undefined)
      .finally(() => {
        setCircle(null);
        setMoving(null);
      });
  };
  const print = found?.prints[0];
  const both = show === "both";
  return (
    <Box as="section" aria-label="Picture" paddingTop="1" flexShrink={0}>
      <Flex columnGap="4" rowGap="0" wrap="wrap" align="center" fontSize="14px" color="ink2">
        <Box>
          Picture{" "}
          <Button variant="word" fontSize="14px" onClick={() => setSheet(true)}>
            {found?.says ?? "…"}
          </Button>
        </Box>
        {show !== "print" && (
          <Button
            variant="word"
            fontSize="14px"
            color="ink2"
            aria-pressed={proposing}
            onClick={() => setProposing(!proposing)}
          >
            Where to read
          </Button>
        )}
        {print?.says && (both || show === "print") && (
          <Box marginLeft="auto" textAlign="right">
            {print.says}
          </Box>
        )}
      </Flex>
      <Frames
        loaded={loaded}
        both={both}
        light={(width, height) =>
          loaded &&
          show !== "print" && (
            <>
              <Photograph pixels={loaded} width={width} height={height} />
              {found && (
                <Places
                  width={width}
                  height={height}
                  places={found.places}
                  moving={moving}
                  placed={placed}
                  circle={circle}
                  says={found.probe ? `${found.probe.text} ${found.probe.zone_text}` : ""}
                  proposed={found.proposed}
                  usual={found.radius}
                  onCircle={put}
                  onOpen={open}
                  onTake={() => field.current?.focus()}
                />
              )}
            </>
          )
        }
        print={(width, height) =>
          loaded &&
          show !== "picture" && (
            <Box
              as="button"
              aria-label="Hold to see it as the light falls"
              position="relative"
              display="block"
              padding="0"
              border="none"
              cursor="pointer"
              onPointerDown={() => setHeld(true)}
              onPointerUp={() => setHeld(false)}
              onPointerLeave={() => setHeld(false)}
              onKeyDown={(event) => event.key === " " && setHeld(true)}
              onKeyUp={() => setHeld(false)}
            >
              {indexes && print?.grey.length && !held ? (
                <Print
                  pixels={loaded}
                  indexes={indexes}
                  print={print}
                  width={width}
                  height={height}
                  label={`As it will print, ${print.n_text}: ${print.says}`}
                />
              ) : (
                <Photograph pixels={loaded} width={width} height={height} />
              )}
            </Box>
          )
        }
        captions={[
          "as the light falls; touch a place to read it",
          print?.n_text
            ? `as it will print, ${print.n_text}; striped: no texture`
            : (print?.problem ?? ""),
        ]}
        show={show}
      />
      {found?.asks && !spot && (
        <Box fontSize="14px" color="ink2" role="status">
          {found.asks}
        </Box>
      )}
      {proposing && found && <Proposed seen={found} put={put} usual={found.radius} />}
      {spot && found && !moving && show !== "print" && (
        <ReadHere
          scene={scene}
          seen={found}
          spot={spot}
          field={field}
          edit={edit}
          let_go={() => setCircle(null)}
        />
      )}
      {found?.advice.slice(0, 1).map((each) => (
        <Box key={each.text} color="ochre" fontSize="14px">
          {each.text}
        </Box>
      ))}
      {show !== "picture" && found && found.falling.length > 0 && !both && (
        <Falling falling={found.falling} />
      )}
      {sheet && <PictureSheet picture={picture} close={() => setSheet(false)} />}
    </Box>
  );
}

/** One frame or two beside each other, at the picture's own shape. */
function Frames({
  loaded,
  both,
  show,
  light,
  print,
  captions,
}: {
  loaded: Pixels | undefined;
  both: boolean;
  show: PictureViewProps["show"];
  light: (width: number, height: number) => React.ReactNode;
  print: (width: number, height: number) => React.ReactNode;
  captions: [string, string];
}) {
  const [ref, size] = useSize<HTMLDivElement>();
  const room = both ? (size.width - GAP) / 2 : size.width;
  const aspect = loaded ? loaded.width / loaded.height : 1.5;
  const height = Math.round(Math.min(room / aspect, both ? HIGHEST : size.width * 0.8));
  const width = Math.round(height * aspect);
  const frames = [
    { name: "light", shown: show !== "print", caption: captions[0], draw: light },
    { name: "print", shown: show !== "picture", caption: captions[1], draw: print },
  ].filter((each) => each.shown);
  return (
    <Grid ref={ref} templateColumns={both ? "1fr 1fr" : "1fr"} columnGap={`${GAP}px`}>
      {size.width > 0 &&
        frames.map((each) => (
          <Box as="figure" key={each.name} minWidth="0" justifySelf="center">
            <Box position="relative" width={`${width}px`} height={`${height}px`} background="line">
              {each.draw(width, height)}
            </Box>
            <Box as="figcaption" fontSize="13px" color="ink2" lineHeight={1.3} paddingTop="1">
              {each.caption}
            </Box>
          </Box>
        ))}
    </Grid>
  );
}

function Photograph({ pixels, width, height }: { pixels: Pixels; width: number; height: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    canvas.current?.getContext("2d")?.drawImage(pixels.image, 0, 0);
  }, [pixels]);
  return (
    <canvas
      ref={canvas}
      width={pixels.width}
      height={pixels.height}
      aria-hidden
      style={{ width, height, display: "block" }}
    />
  );
}

/** The darkest and the brightest places that have texture, to be read next. */
function Proposed({
  seen: { proposed },
  put,
  usual,
}: {
  seen: Seen;
  put: (circle: Circle) => void;
  usual: number;
}) {
  if (!proposed.length)
    return (
      <Box fontSize="14px" color="ink2">
        No place with texture stands out.
      </Box>
    );
  return (
    <Flex wrap="wrap" columnGap="4" fontSize="14px" color="ink2" align="center">
      {[true, false].map((dark) => (
        <Flex key={String(dark)} gap="2" align="center" wrap="wrap">
          {dark ? "Darkest with texture" : "Brightest with texture"}
          {proposed
            .filter((each) => each.dark === dark)
            .map((each) => (
              <Button
                key={`${each.x} ${each.y}`}
                variant="word"
                fontSize="14px"
                onClick={() => put({ x: each.x, y: each.y, radius: usual })}
              >
                {each.text}
              </Button>
            ))}
        </Flex>
      ))}
    </Flex>
  );
}

/** How much of the picture falls where. */
export function Falling({ falling }: { falling: Seen["falling"] }) {
  return (
    <Box as="section" aria-label="How much of the picture falls where" paddingTop="1">
      {falling.map((each) => (
        <Grid
          key={each.text}
          templateColumns="minmax(150px, auto) 1fr 64px"
          columnGap="2"
          fontSize="13px"
          alignItems="center"
        >
          <Box color="ink2">{each.text}</Box>
          <Box height="8px" width={`${100 * each.share}%`} background="ink2" />
          <Box textAlign="right">{each.share_text}</Box>
        </Grid>
      ))}
    </Box>
  );
}
