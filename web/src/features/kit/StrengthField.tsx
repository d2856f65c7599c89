import { Grid } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { typedNumber } from "../../components/typedNumber";

const WAYS = [
  { value: "factor", label: "factor" },
  { value: "stops", label: "stops" },
  { value: "density", label: "density" },
];
const TYPES = [
  { value: "plain", label: "neutral, or anything else" },
  { value: "contrast", label: "contrast filter" },
  { value: "polariser", label: "polariser" },
  { value: "graduated", label: "graduated: only over a part" },
];
const COLOURS = [
  { value: "", label: "choose its colour" },
  { value: "yellow", label: "yellow" },
  { value: "orange", label: "orange" },
  { value: "red", label: "red" },
  { value: "yellow_green", label: "yellow-green" },
  { value: "green", label: "green" },
  { value: "blue", label: "blue" },
];

/** A filter: what it is, and its strength said one way: factor, stops or density. */
export function StrengthField({
  value,
  onChange,
  problem,
}: {
  value: Schemas["Filter"];
  onChange: (filter: unknown) => void;
  problem: string | null;
}) {
  const way = value.density != null ? "density" : value.stops != null ? "stops" : "factor";
  const { factor: _f, stops: _s, density: _d, ...rest } = value;
  const type = value.type ?? "plain";
  return (
    <Grid templateColumns="1fr 1fr" gap="4">
      <Entry
        label="Strength"
        inputMode="decimal"
        defaultValue={String(value[way] ?? "")}
        onChange={(event) => onChange({ ...rest, [way]: typedNumber(event.target.value) })}
        problem={problem}
      />
      <Choose
        label="said as"
        value={way}
        options={WAYS}
        onChange={(next) => onChange({ ...rest, [next]: value[way] })}
      />
      <Choose
        label="What it is"
        value={type}
        options={TYPES}
        onChange={(next) =>
          onChange({
            ...value,
            type: next,
            colour: next === "contrast" ? (value.colour ?? "") : "",
          })
        }
      />
      {type === "contrast" && (
        <Choose
          label="Colour"
          value={value.colour ?? ""}
          options={COLOURS}
          onChange={(colour) => onChange({ ...value, colour })}
        />
      )}
      <Entry
        label="Factor in tungsten light"
        help="empty: the same"
        inputMode="decimal"
        defaultValue={String(value.tungsten_factor ?? "")}
        onChange={(event) =>
          onChange({
            ...value,
            tungsten_factor: event.target.value.trim() ? typedNumber(event.target.value) : null,
          })
        }
      />
    </Grid>
  );
}
