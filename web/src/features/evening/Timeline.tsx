import { Box, Flex } from "@chakra-ui/react";
import { scaleLinear } from "d3-scale";
import { useSize } from "../../components/useSize";
import type { Plan } from "./queries";

// on a phone a run's name stands over its bars
const WIDE = { row: 34, left: 168, dry: 128, bar: 3 };
const NARROW = { row: 50, left: 4, dry: 44, bar: 19 };
const BAR_PX = 20;

/** The evening on one clock: a row for each run, full bars where the hands are held. */
export function Timeline({ plan }: { plan: Plan }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const wet = plan.tasks.filter((task) => task.place !== "dryer");
  const width = size.width;
  const narrow = width < 600;
  const { row: tall, left, dry, bar } = narrow ? NARROW : WIDE;
  const end = Math.max(left + 1, width - dry);
  const x = scaleLinear([0, plan.wet_until_s], [left, end]);
  const ticks = plan.hours.filter((_, place) => !narrow || place % 3 === 0);
  const dried = new Map(plan.dry.map((each) => [each.run_id, each.text]));
  const height = plan.runs.length * tall + 28;
  return (
    <Box as="section" aria-label="The evening" paddingTop="4">
      <Flex justify="space-between" wrap="wrap" gap="3" fontSize="14px" color="ink2">
        <span>Solid: hands-on. Outlined: unattended. Cut off: hung up to dry.</span>
        <span>
          hands free for {plan.hands_idle_text}
          {plan.idle
            .filter((each) => each.place !== "dryer")
            .map((each) => `, ${each.place} idle ${each.text}`)}
        </span>
      </Flex>
      <Box ref={ref} height={`${height}px`}>
        {width > 0 && (
          <svg width={width} height={height} role="img" aria-label={plan.says}>
            {ticks.map(({ at_s, text }) => (
              <g key={at_s}>
                <line
                  x1={x(at_s)}
                  x2={x(at_s)}
                  y1={0}
                  y2={height - 22}
                  stroke="var(--chakra-colors-line)"
                />
                <text
                  x={x(at_s)}
                  y={height - 6}
                  textAnchor={at_s === 0 ? "start" : "middle"}
                  fontSize="12"
                  fill="var(--chakra-colors-ink2)"
                >
                  {text}
                </text>
              </g>
            ))}
            {plan.runs.map((run, row) => (
              <g key={run.id} transform={`translate(0 ${row * tall + 4})`}>
                <text x={0} y={narrow ? 13 : 17} fontSize="13" fill="var(--chakra-colors-ink)">
                  {row + 1} {run.name.slice(0, 22)}
                </text>
                <Drying x={end + 8} y={bar} text={dried.get(run.id)} over={narrow ? width : null} />
                {wet
                  .filter((task) => task.run_id === run.id)
                  .map((task) => {
                    const wide = x(task.end_s) - x(task.start_s);
                    return (
                      <g key={task.name}>
                        <rect
                          x={x(task.start_s)}
                          y={bar}
                          width={Math.max(2, wide - 1)}
                          height={BAR_PX}
                          fill={
                            task.hands ? "var(--chakra-colors-ink)" : "var(--chakra-colors-sheet)"
                          }
                          // between two that are solid a gap of the ground is seen
                          stroke={
                            task.hands ? "var(--chakra-colors-paper)" : "var(--chakra-colors-ink)"
                          }
                        />
                        {wide > 76 && (
                          <text
                            x={x(task.start_s) + wide / 2}
                            y={bar + 14}
                            textAnchor="middle"
                            fontSize="12"
                            fill={
                              task.hands ? "var(--chakra-colors-paper)" : "var(--chakra-colors-ink)"
                            }
                          >
                            {task.name}
                          </text>
                        )}
                      </g>
                    );
                  })}
              </g>
            ))}
          </svg>
        )}
      </Box>
    </Box>
  );
}

/** Film that hangs longer than the drawing goes on: a bar that is cut, and when it is dry. */
function Drying({
  x,
  y,
  text,
  over,
}: {
  x: number;
  y: number;
  text: string | undefined;
  /** where the words end that have no room beside the bar: over it */
  over: number | null;
}) {
  if (!text) return null;
  const low = y + BAR_PX;
  return (
    <g>
      <path
        d={`M${x + 24},${y} H${x} V${low} H${x + 24} l4,-5 l-4,-5 l4,-5 l-4,-5`}
        fill="var(--chakra-colors-sheet)"
        stroke="var(--chakra-colors-ink)"
      />
      <text
        x={over ?? x + 34}
        y={over === null ? y + 14 : y - 6}
        textAnchor={over === null ? "start" : "end"}
        fontSize="12"
        fill="var(--chakra-colors-ink)"
      >
        {text}
      </text>
    </g>
  );
}
