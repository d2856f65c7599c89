import { useState } from "react";
import { Entry } from "../../components/Entry";
import { LINES, type Lines, type LinesKind } from "./lines";

/** A table as lines of text: read as it is typed, kept as it was typed. */
export function LinesField({
  kind,
  label,
  value,
  onChange,
  problem,
}: {
  kind: LinesKind;
  label: string;
  value: unknown[];
  onChange: (rows: unknown) => void;
  problem: string | null;
}) {
  const lines = LINES[kind] as Lines<unknown>;
  const [typed, setTyped] = useState(() => value.map(lines.text).join("\n"));
  return (
    <Entry
      label={label}
      help={lines.help}
      multiline
      rows={Math.min(6, Math.max(2, value.length + 1))}
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
        const rows = event.target.value.split("\n").filter((line) => line.trim());
        onChange(rows.map((line) => lines.read(line.trim().split(/\s+/))));
      }}
      problem={problem}
    />
  );
}
