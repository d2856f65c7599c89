import { useTold } from "../../../shared/told";
import { along, type RailSpan } from "./geometry";
import { ink2 } from "./ink";
import type { BridgeProps } from "./props";

const HIGHEST = 26;
/** Between bins of a third of a zone. */
const BINS = 3;

/** What of the picture falls where, on the edge of the upper rail. */
export function Fringe({
  span,
  at,
  seen,
}: {
  span: RailSpan;
  at: number;
  seen: NonNullable<BridgeProps["seen"]>;
}) {
  const bins = useTold(seen)?.fringe;
  if (!bins?.length) return null;
  const most = Math.max(...bins.map((each) => each.share));
  const wide = span.cell / BINS - 0.5;
  return (
    <g aria-hidden data-fringe fill={ink2} opacity={0.55}>
      {bins.map((each) => {
        const middle = along(span, each.zone);
        const tall = (HIGHEST * each.share) / most;
        return span.upright ? (
          <rect
            key={each.zone}
            x={at - tall}
            y={middle - wide / 2}
            width={tall}
            height={Math.max(0.5, wide)}
          />
        ) : (
          <rect
            key={each.zone}
            x={middle - wide / 2}
            y={at - tall}
            width={Math.max(0.5, wide)}
            height={tall}
          />
        );
      })}
    </g>
  );
}
