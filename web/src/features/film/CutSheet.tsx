import { Box, Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/calls";
import { Entry } from "../../components/Entry";
import { FormFooter } from "../../components/FormFooter";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../shared/useWrite";
import { Frames } from "./Frames";
import { cutRoll } from "./queries";

/** Where a finished roll is cut; each strip then has its own development. */
export function CutSheet({ view, close }: { view: Schemas["RollView"]; close: () => void }) {
  const { roll } = view;
  const ends = view.strips.map((each) => each.strip.last_frame);
  const [text, setText] = useState(ends.filter((each) => each < roll.frames).join(" "));
  const { problem, write, busy, at } = useWrite(close);
  const cut = (event: FormEvent) => {
    event.preventDefault();
    const after = text
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(typedNumber);
    void write(cutRoll(roll.id, after));
  };
  return (
    <Sheet
      open
      close={close}
      title={`Cut roll ${roll.number}`}
      footer={
        <FormFooter close={close} form="cut" disabled={busy}>
          {text.trim() ? "Cut" : "Keep roll whole"}
        </FormFooter>
      }
    >
      <Flex direction="column" gap="3" as="form" id="cut" onSubmit={cut}>
        <Frames view={view} />
        <Entry
          label="Cut after frames"
          placeholder="4 8"
          help="Empty: one piece. Each cut goes between two blank frames: wind on two, cut behind the first of them. Both are lost to the knife."
          value={text}
          onChange={(event) => setText(event.target.value)}
          problem={at("after") ?? (problem?.field?.startsWith("after") ? problem.message : null)}
          autoFocus
        />
        {!problem?.field?.startsWith("after") && <Problem of={problem} />}
        <Box fontSize="14px" color="ink2">
          A blade in the dark: set it with the other hand's fingers behind it, and cut away from
          you.
        </Box>
      </Flex>
    </Sheet>
  );
}
