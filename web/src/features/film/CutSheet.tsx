import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { Entry } from "../../components/Entry";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { Frames } from "./Frames";
import { cutRoll } from "./queries";

/** Where a finished roll is cut; each strip then has its own development. */
export function CutSheet({ view, close }: { view: Schemas["RollView"]; close: () => void }) {
  const { roll } = view;
  const ends = view.strips.map((each) => each.strip.last_frame);
  const [text, setText] = useState(ends.filter((each) => each < roll.frames).join(" "));
  const writing = useWrite(close);
  const cut = () => {
    const after = text
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(typedNumber);
    void writing.write(cutRoll(roll.id, after));
  };
  return (
    <FormSheet
      close={close}
      title={`Cut roll ${roll.number}`}
      writing={writing}
      keep={cut}
      says={text.trim() ? "Cut" : "Keep roll whole"}
      gap="3"
    >
      <Frames view={view} />
      <Entry
        label="Cut after frames"
        placeholder="4 8"
        help="Empty: one piece. Each cut goes between two blank frames: wind on two, cut behind the first of them. Both are lost to the knife."
        value={text}
        onText={setText}
        field="after"
        autoFocus
      />
      <Small>
        A blade in the dark: set it with the other hand's fingers behind it, and cut away from you.
      </Small>
    </FormSheet>
  );
}
