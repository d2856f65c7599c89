import { Box, Grid } from "@chakra-ui/react";
import type { Schemas } from "../../api/calls";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Tick } from "../../components/Tick";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";

const WAYS = [
  { value: "factor", label: "factor" },
  { value: "stops", label: "stops" },
  { value: "density", label: "density" },
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
        onText={(text) => onChange({ ...rest, usual: false, [way]: typedNumber(text) })}
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
        options={OFFERED.filter_kinds}
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
          options={OFFERED.filter_colours}
          onChange={(colour) => onChange({ ...value, colour })}
        />
      )}
      {type === "contrast" && value.colour && (
        <Box gridColumn="1 / -1">
          <Tick on={value.usual ?? false} set={(usual) => onChange({ ...value, usual })}>
            Its factor is only the usual one of its colour: each kind of film has its own
          </Tick>
        </Box>
      )}
      <Entry
        label="Factor in tungsten light"
        help="empty: the same"
        inputMode="decimal"
        defaultValue={String(value.tungsten_factor ?? "")}
        onText={(text) =>
          onChange({
            ...value,
            tungsten_factor: text.trim() ? typedNumber(text) : null,
          })
        }
      />
    </Grid>
  );
}
