import type { Schemas } from "../../api/calls";

type View = Schemas["StockView"];

const ACROSS = 25;
const MOST = 50;
const CELL = { width: 9, height: 14, gap: 1 };
const INK = "var(--chakra-colors-ink)";
const EDGE = "var(--chakra-colors-edge)";

/** The box opened: a sheet each, full while it is there, an outline once loaded, struck once used;
    beneath, its time from opening to expiry with a notch for today. */
export function BoxOpened({ view: { stock, state } }: { view: View }) {
  const shown = Math.min(stock.count, MOST);
  const rows = Math.ceil(shown / ACROSS);
  const step = CELL.width + CELL.gap;
  const width = ACROSS * step;
  const height = rows * (CELL.height + 2);
  const line = height + 9;
  return (
    <svg
      role="img"
      aria-label={state.drawn}
      viewBox={`0 0 ${width} ${line + 4}`}
      width={width}
      style={{ display: "block", maxWidth: "100%" }}
    >
      {Array.from({ length: shown }, (_, place) => {
        const x = (place % ACROSS) * step + 0.5;
        const y = Math.floor(place / ACROSS) * (CELL.height + 2) + 0.5;
        const used = place >= state.left + state.loaded;
        const here = place < state.left;
        return (
          <g key={`${x} ${y}`}>
            <rect
              x={x}
              y={y}
              width={CELL.width - 1}
              height={CELL.height - 1}
              fill={here ? INK : "none"}
              stroke={used ? EDGE : INK}
            />
            {used && (
              <line x1={x} x2={x + CELL.width - 1} y1={y + CELL.height - 1} y2={y} stroke={EDGE} />
            )}
          </g>
        );
      })}
      {state.life != null && (
        <>
          <line x1="0" x2={width} y1={line} y2={line} stroke={EDGE} />
          <path
            d={`M${at(state.life, width) - 4},${line - 7} h8 L${at(state.life, width)},${line} Z`}
            fill={state.life > 1 ? "var(--chakra-colors-brick)" : INK}
          />
        </>
      )}
    </svg>
  );
}

const at = (life: number, width: number) => Math.max(4, Math.min(width - 4, life * width));
