import { accent, ochre, paper, Words } from "./ink";
import type { BridgePin } from "./props";

/** From where a tone falls to where it is printed; it frays when its texture is lost. */
export function Strand({
  d,
  end,
  pin,
  pinned,
  says,
  upright,
}: {
  d: string;
  end: [number, number];
  pin: BridgePin;
  pinned: boolean;
  /** what is lost here, where it is said */
  says: string | undefined;
  upright: boolean;
}) {
  const [x, y] = end;
  const frays = [-7, 0, 7].map((off) =>
    upright ? `M${x - 14},${y} L${x - 1},${y + off}` : `M${x},${y - 14} L${x + off},${y - 1}`,
  );
  return (
    <g aria-hidden>
      <path
        d={d}
        fill="none"
        stroke={pin.lost ? ochre : accent}
        strokeWidth={pinned ? 3 : 2}
        strokeDasharray={pin.lost ? "7 4" : undefined}
      />
      {pin.lost ? (
        <>
          {frays.map((fray) => (
            <path key={fray} d={fray} stroke={ochre} strokeWidth={2} />
          ))}
          <Words
            x={upright ? x - 10 : x + (pin.lands > 8 ? -12 : 12)}
            y={upright ? y - 12 : y - 22}
            textAnchor={upright || pin.lands > 8 ? "end" : "start"}
            fontSize={13}
            fontWeight={600}
            fill={ochre}
            halo
          >
            {says}
          </Words>
        </>
      ) : (
        <circle cx={x} cy={y} r={5} fill={accent} stroke={paper} strokeWidth={1.5} />
      )}
    </g>
  );
}
