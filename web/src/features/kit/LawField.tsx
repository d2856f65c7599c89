import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { typedNumber } from "../../components/typedNumber";
import { offered } from "../../shared/offered";

type Law = NonNullable<Schemas["Film"]["law"]>;

const KINDS = [
  { value: "", label: "not known yet" },
  { value: "none", label: "no correction up to a time" },
  { value: "power", label: "power t^p" },
  { value: "additive", label: "t + a·t^b" },
  { value: "table", label: "table: metered s, corrected s" },
  { value: "stops", label: "table: metered s, added stops of time" },
];

const BLANK: Record<string, object> = {
  none: { kind: "none", until_s: 1 },
  power: { kind: "power", exponent: 1.3, from_s: 1 },
  additive: { kind: "additive", a: 0.2, b: 1.5 },
  table: {
    kind: "table",
    rows: [
      [1, 1],
      [10, 20],
      [100, 400],
    ],
  },
  stops: {
    kind: "stops",
    rows: [
      [1, 0],
      [10, 1],
      [100, 2],
    ],
  },
};

const FIELDS: Record<string, [string, string][]> = {
  none: [["until_s", "No correction up to, s"]],
  power: [
    ["exponent", "Exponent p (1.2 to 1.45 is usual)"],
    ["from_s", "From, s"],
    ["tested_until_s", "Data end at, s metered (empty: 100)"],
  ],
  additive: [
    ["a", "a"],
    ["b", "b"],
    ["tested_until_s", "Data end at, s metered (empty: 100)"],
  ],
};

const rowsText = (law: Law | null | undefined) =>
  law && "rows" in law ? law.rows.map((row) => row.join("  ")).join("\n") : "";

const rowsFrom = (text: string) =>
  text
    .split("\n")
    .filter((line) => line.trim())
    .map((line) =>
      line
        .trim()
        .split(/[\s;]+/)
        .map(typedNumber),
    );

/** A film's reciprocity law: its kind, and the numbers that kind has. */
export function LawField({
  value,
  films,
  own,
  onChange,
  problem,
}: {
  value: Law | null | undefined;
  /** whose laws can be taken over */
  films: Schemas["Film"][];
  own: string;
  onChange: (law: unknown) => void;
  problem: string | null;
}) {
  const kind = value?.kind ?? "";
  const [table, setTable] = useState(rowsText(value));
  // the fields begin anew with what was taken over
  const [taken, setTaken] = useState(0);
  const others = offered(films).filter((each) => each.id !== own && each.law);
  const fields = FIELDS[kind] ?? [];
  const choose = (next: string) => {
    const blank = next ? BLANK[next] : null;
    setTable(rowsText(blank as Law | null));
    onChange(blank);
  };
  const change = (name: string, text: string) => {
    const { [name as keyof Law]: _, ...rest } = value as Law;
    onChange(
      text.trim() === "" && name === "tested_until_s"
        ? rest
        : { ...rest, [name]: typedNumber(text) },
    );
  };
  return (
    <Flex direction="column" gap="3">
      <Choose
        label="Reciprocity"
        value={kind}
        options={KINDS}
        onChange={choose}
        problem={fields.length || kind === "table" || kind === "stops" ? null : problem}
      />
      {others.length > 0 && (
        <Choose
          label="As that film"
          value=""
          options={[
            { value: "", label: "a law of its own" },
            ...others.map((each) => ({ value: each.id, label: `as ${each.name}` })),
          ]}
          onChange={(id) => {
            const law = films.find((each) => each.id === id)?.law;
            if (!law) return;
            setTaken(taken + 1);
            setTable(rowsText(law));
            onChange(law);
          }}
        />
      )}
      {fields.map(([name, label], place) => (
        <Entry
          key={`${kind}-${name}-${taken}`}
          label={label}
          inputMode="decimal"
          defaultValue={String((value as Record<string, unknown>)[name] ?? "")}
          onText={(text) => change(name, text)}
          problem={place === fields.length - 1 ? problem : null}
        />
      ))}
      {(kind === "table" || kind === "stops") && (
        <Box>
          <Entry
            label={
              kind === "table" ? "Rows: metered s, corrected s" : "Rows: metered s, added stops"
            }
            help="One row a line; a third number multiplies the developing time"
            multiline
            rows={5}
            value={table}
            onText={(text) => {
              setTable(text);
              onChange({ kind, rows: rowsFrom(text) });
            }}
            problem={problem}
          />
        </Box>
      )}
    </Flex>
  );
}
