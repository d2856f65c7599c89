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

/** A filter's strength, said one way: factor, stops or density. */
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
  return (
    <Grid templateColumns="1fr 1fr" gap="4">
      <Entry
        label="Strength"
        inputMode="decimal"
        defaultValue={String(value[way] ?? "")}
        onChange={(event) => onChange({ [way]: typedNumber(event.target.value) })}
        problem={problem}
      />
      <Choose
        label="said as"
        value={way}
        options={WAYS}
        onChange={(next) => onChange({ [next]: value[way] })}
      />
    </Grid>
  );
}
