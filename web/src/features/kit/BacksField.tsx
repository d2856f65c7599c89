import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { Entry } from "../../components/Entry";
import { typedNumber } from "../../components/typedNumber";

type Backs = Schemas["Back"][];

/** A camera's other backs, one a line: name, width × height. */
export function BacksField({
  value,
  onChange,
  problem,
}: {
  value: Backs;
  onChange: (backs: unknown) => void;
  problem: string | null;
}) {
  const [text, setText] = useState(
    value.map((back) => `${back.name}  ${back.format_mm[0]} x ${back.format_mm[1]}`).join("\n"),
  );
  const rows = (typed: string) =>
    typed
      .split("\n")
      .filter((line) => line.trim())
      .map((line) => {
        const found = line.trim().match(/^(.*?)\s+(\S+)\s*[x×]\s*(\S+)$/);
        return found
          ? {
              name: found[1],
              format_mm: [typedNumber(found[2] ?? ""), typedNumber(found[3] ?? "")],
            }
          : { name: line.trim(), format_mm: ["", ""] };
      });
  return (
    <Entry
      label="Other backs: name, width × height in mm"
      help="One a line, as roll back 6×12  112 x 56"
      multiline
      rows={3}
      value={text}
      onText={(text) => {
        setText(text);
        onChange(rows(text));
      }}
      problem={problem}
    />
  );
}
