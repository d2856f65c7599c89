import { Box } from "@chakra-ui/react";
import { useEffect, useLayoutEffect, useRef } from "react";
import { here } from "../../api/here";
import { useSize } from "../../components/useSize";
import { coarseness, inSight, levelFor, scaleOf, type Tile, tallness, wholeIn } from "./look";
import type { Seen } from "./queries";
import { useHand } from "./useHand";
import type { Looking } from "./useLook";

/** One scan under the loupe: drawn by moving what lies there, never by React. */
export function Pane({ seen, looking, tilePx }: { seen: Seen; looking: Looking; tilePx: number }) {
  const [frame, pane] = useSize<HTMLDivElement>();
  const sheet = useRef<HTMLDivElement>(null);
  const mark = useRef<HTMLDivElement>(null);
  const laid = useRef<Laid>({ images: new Map(), wanted: new Set() });
  const hand = useHand(frame, looking, seen, pane);
  const { id, width, height, levels } = seen;
  // a tile belongs to its picture
  // biome-ignore lint/correctness/useExhaustiveDependencies: another picture has other tiles
  useEffect(
    () => () => {
      for (const each of laid.current.images.values()) each.remove();
      laid.current.images.clear();
    },
    [id],
  );
  useLayoutEffect(() => {
    let asked = 0;
    const draw = () => {
      asked = 0;
      if (!sheet.current || pane.width === 0) return;
      const look = looking.now;
      const picture = { width, height };
      const scale = scaleOf(look, picture, pane);
      const left = pane.width / 2 - look.x * width * scale;
      const top = pane.height / 2 - look.y * height * scale;
      sheet.current.style.transform = `translate(${left}px, ${top}px) scale(${scale})`;
      if (mark.current) {
        const tall = look.width * tallness(picture, pane);
        mark.current.style.cssText += `;left:${100 * (look.x - look.width / 2)}%;top:${
          100 * (look.y - tall / 2)
        }%;width:${100 * look.width}%;height:${100 * tall}%`;
        mark.current.parentElement?.toggleAttribute("data-near", look.width < looking.most);
      }
      if (levels === 0) return;
      const level = levelFor(scale, levels, window.devicePixelRatio);
      lay(sheet.current, laid.current, id, inSight(look, picture, pane, level, tilePx));
    };
    const soon = () => {
      asked ||= requestAnimationFrame(draw);
    };
    if (pane.width) looking.fit(wholeIn({ width, height }, pane));
    draw();
    const stop = looking.listen(soon);
    return () => {
      stop();
      cancelAnimationFrame(asked);
    };
  }, [looking, pane, id, width, height, levels, tilePx]);
  const small = here(`/api/attachments/${id}/thumbnail`);
  return (
    <Box
      ref={frame}
      position="relative"
      overflow="hidden"
      flex="1"
      minHeight="0"
      border="1px solid"
      borderColor="edge"
      background="ink"
      cursor="grab"
      style={{ touchAction: "none" }}
      data-pane={id}
      {...hand}
    >
      <div
        ref={sheet}
        style={{
          position: "absolute",
          left: 0,
          top: 0,
          width,
          height,
          transformOrigin: "0 0",
          filter: seen.gain === 1 ? undefined : `brightness(${seen.gain})`,
        }}
      >
        <img src={small} alt={seen.title} draggable={false} style={{ width, height }} />
      </div>
      <Box
        position="absolute"
        right="2"
        bottom="2"
        width="22%"
        maxWidth="130px"
        border="1px solid"
        borderColor="sheet"
        opacity="0"
        css={{ "&[data-near]": { opacity: 1 } }}
        pointerEvents="none"
        aria-hidden
      >
        <img src={small} alt="" style={{ width: "100%", display: "block" }} />
        <Box ref={mark} position="absolute" outline="2px solid" outlineColor="accent" />
      </Box>
    </Box>
  );
}

/** The tiles that lie there, and those that are in sight now. */
interface Laid {
  images: Map<string, HTMLImageElement>;
  wanted: Set<string>;
}

/** Lay the tiles that are in sight, and take up the others once the new ones are there. */
function lay(sheet: HTMLElement, laid: Laid, id: string, wanted: Tile[]) {
  laid.wanted = new Set(wanted.map(nameOf));
  for (const each of wanted) {
    const name = nameOf(each);
    if (laid.images.has(name)) continue;
    const image = document.createElement("img");
    image.alt = "";
    image.draggable = false;
    image.style.cssText = `position:absolute;left:${each.left}px;top:${each.top}px;transform-origin:0 0;transform:scale(${coarseness(each.level)});visibility:hidden`;
    image.onload = () => {
      image.style.visibility = "visible";
      takeUp(laid);
    };
    image.src = here(`/api/attachments/${id}/tiles/${each.level}/${each.column}/${each.row}`);
    laid.images.set(name, image);
    sheet.append(image);
  }
  takeUp(laid);
}

const MOST_LAID = 80;
const levelOf = (name: string) => name.slice(0, name.indexOf("-"));

/** Once all that is in sight is there, tiles of other sizes go; those of this one stay a while, so
    that one can go back. */
function takeUp({ images, wanted }: Laid) {
  if ([...wanted].some((name) => !images.get(name)?.complete)) return;
  const levels = new Set([...wanted].map(levelOf));
  for (const [name, image] of images) {
    if (wanted.has(name) || (levels.has(levelOf(name)) && images.size <= MOST_LAID)) continue;
    image.remove();
    images.delete(name);
  }
}

const nameOf = ({ level, column, row }: Tile) => `${level}-${column}-${row}`;
