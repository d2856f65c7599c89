import { Box, Flex } from "@chakra-ui/react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { look, StateMark } from "../../shared/drawn/StateMark";
import { stateWord } from "../../shared/states";

type Frame = Schemas["FrameView"];

/** The frames of a roll in a row, as they lie on the film; cuts are shown as gaps. */
export function Frames({ view }: { view: Schemas["RollView"] }) {
  const { roll } = view;
  const cuts = new Set(view.strips.map((each) => each.strip.last_frame));
  return (
    <Flex
      as="ol"
      wrap="wrap"
      rowGap="3"
      paddingBlock="3"
      aria-label={`Frames of roll ${roll.number}`}
    >
      {view.frames.map((frame) => (
        <Box
          as="li"
          key={frame.frame}
          width="78px"
          marginRight={cuts.has(frame.frame) && frame.frame < roll.frames ? "20px" : "4px"}
        >
          <Mark frame={frame} />
          <Flex justify="space-between" fontSize="13px" paddingRight="6px">
            <span>{frame.frame}</span>
            {roll.place !== "done" && frame.frame === roll.next_frame && <b>▲ next</b>}
            {frame.weight !== 1 && frame.exposure_id && (
              <Box as="span" role="img" aria-label={`priority ${frame.weight} of 3`}>
                {"●".repeat(frame.weight) || "○"}
              </Box>
            )}
          </Flex>
        </Box>
      ))}
    </Flex>
  );
}

function Mark({ frame }: { frame: Frame }) {
  const body = (
    <Box height="78px" paddingTop="8px" position="relative" {...look(frame.state)}>
      <StateMark state={frame.state} height={24} />
      <Box
        position="absolute"
        bottom="4px"
        left="2px"
        right="2px"
        textAlign="center"
        fontSize="12px"
        lineHeight={1.2}
      >
        <Box fontWeight={600}>{stateWord(frame.state)} </Box>
        {frame.n_text}
        {frame.part_text && <Box>{frame.part_text}</Box>}
        {frame.twice_text && <Box color="ochre">{frame.twice_text}</Box>}
        {frame.ei_text && <Box color="ochre">{frame.ei_text}</Box>}
      </Box>
    </Box>
  );
  if (!frame.exposure_id) return body;
  return (
    <Link
      to={`/log/${frame.exposure_id}`}
      title={frame.scene_title}
      aria-label={[
        `Frame ${frame.frame}: ${stateWord(frame.state)} ${frame.n_text}`,
        frame.part_text,
        frame.twice_text,
        frame.ei_text,
        frame.scene_title,
      ]
        .filter(Boolean)
        .join(", ")}
      style={{ display: "block", textDecoration: "none", color: "inherit" }}
    >
      {body}
    </Link>
  );
}
