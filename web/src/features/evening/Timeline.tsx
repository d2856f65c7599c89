import { Box, Flex } from "@chakra-ui/react";
import { scaleLinear } from "d3-scale";
import { useSize } from "../../components/useSize";
import type { Plan } from "./queries";

const ROW_PX = 34;
const LEFT_PX = { wide: 168, narrow: 26 };

/** The evening on one clock: a row for each run, full bars where the hands are held. */
export function Timeline({ plan }: { plan: Plan }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const wet = plan.tasks.filter((task) => task.place !== "dryer");
  const width = size.width;
  const narrow = width < 600;
  const left = narrow ? LEFT_PX.narrow : LEFT_PX.wide;
  const x = scaleLinear([0, plan.wet_until_s], [left, Math.max(left + 1, width - 12)]);
  const ticks = plan.hours.filter((_, place) => !narrow || place % 3 === 0);
  const height = plan.runs.length * ROW_PX + 28;
  return (
    <Box as="section" aria-label="The evening" paddingTop="4">
      <Flex justify="space-between" wrap="wrap" gap="3" fontSize="14px" color="ink2">
        <span>Solid: hands-on. Outlined: unattended.</span>
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
                  textAnchor={x(at_s) > width - 24 ? "end" : "middle"}
                  fontSize="12"
                  fill="var(--chakra-colors-ink2)"
                >
                  {text}
                </text>
              </g>
            ))}
            {plan.runs.map((run, row) => (
              <g key={run.id} transform={`translate(0 ${row * ROW_PX + 4})`}>
                <text x={0} y={17} fontSize="13" fill="var(--chakra-colors-ink)">
                  {row + 1} {!narrow && run.name.slice(0, 22)}
                </text>
                {wet
                  .filter((task) => task.run_id === run.id)
                  .map((task) => {
                    const wide = x(task.end_s) - x(task.start_s);
                    return (
                      <g key={task.name}>
                        <rect
                          x={x(task.start_s)}
                          y={3}
                          width={Math.max(2, wide - 1)}
                          height={20}
                          fill={
                            task.hands ? "var(--chakra-colors-ink)" : "var(--chakra-colors-sheet)"
                          }
                          stroke="var(--chakra-colors-ink)"
                        />
                        {wide > 62 && (
                          <text
                            x={x(task.start_s) + wide / 2}
                            y={17}
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
