import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { Notice } from "../../../components/Notice";
import { Small } from "../../../components/text";
import { BEGUN } from "../../../service/service";
import { type Known, Print, tablesOf, useIndexes } from "../../../shared/picture/Print";
import { spotAt } from "../../../shared/picture/pixels";
import { pixelsQuery } from "../../../shared/picture/pixelsQuery";
import { type Told, useTold } from "../../../shared/told";
import { useLatest } from "../../../shared/useLatest";
import type { Change } from "../useKeeping";
import type { Draft } from "../useSolution";
import { Falling } from "./Falling";
import { Frames, Photograph } from "./Frames";
import { Heading } from "./Heading";
import { PictureSheet } from "./PictureSheet";
import { type Circle, Places } from "./Places";
import { Proposed } from "./Proposed";
import { type Asked, type Picture, readOff, type Seen, seen } from "./queries";
import { ReadHere } from "./ReadHere";

/** Between two questions: while it is looked at, and behind the bridge, which comes first then. */
const [SEEN_MS, CALM_MS] = [16, 400];

export type Face = "both" | "picture" | "print" | "behind";

export interface PictureViewProps {
  /** with what is being dragged */
  draft: Told<Draft | null>;
  picture: Picture;
  placed: string | null;
  /** both beside each other, one of them, or neither: only what falls where is wanted then */
  show: Face;
  stamp: number;
  edit: (change: Change) => Promise<void>;
  open: (id: string) => void;
  onSeen: (seen: Seen) => void;
}

/** A scene's picture: what its readings say of every place, and how it will print. */
export default function PictureView({ draft, ...props }: PictureViewProps) {
  const drafted = useTold(draft);
  return drafted ? <Drafted draft={drafted} {...props} /> : null;
}

function Drafted(props: Omit<PictureViewProps, "draft"> & { draft: Draft }) {
  const { draft, picture, placed, show, stamp, edit, open, onSeen } = props;
  const { scene } = draft;
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
            ...draft,
            asked: {
              ...BEGUN.seeing,
              probe: spot,
              rings: loaded.rings,
              tiles: proposing ? loaded.tiles : null,
              drawn_width: loaded.width,
            },
          }
        : null,
    [draft, loaded, spot, proposing, stamp, picture.version],
  );
  const known = useRef<Known | null>(null);
  const found =
    useLatest(
      asking,
      async (wanted) => {
        const tables = known.current?.tables ?? "";
        const answer = await seen({ ...wanted, asked: { ...wanted.asked, tables } });
        known.current = tablesOf(answer) ?? known.current;
        return answer;
      },
      show === "behind" ? CALM_MS : SEEN_MS,
    ) ?? undefined;
  useEffect(() => {
    if (found) onSeen(found);
  }, [found, onSeen]);
  const tables = found && found.tables === known.current?.tables ? known.current : null;
  const printing = show === "both" || show === "print";
  const boxes = found?.blur?.boxes.join(" ") ?? "";
  const indexes = useIndexes(printing ? loaded : undefined, tables, boxes);

  if (show === "behind") return null;
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
      <Heading
        says={found?.says ?? "…"}
        viewTold={found?.view_told ?? true}
        prints={both || show === "print" ? (print?.says ?? "") : ""}
        proposing={show === "print" ? null : proposing}
        propose={setProposing}
        open={setSheet}
      />
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
            ? `as it will print: ${print.n_text}, ${print.by_text}`
            : (print?.problem ?? ""),
        ]}
        show={show}
      />
      {found?.asks && !spot && <Small role="status">{found.asks}</Small>}
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
