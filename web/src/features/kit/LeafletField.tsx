import { Box, Grid } from "@chakra-ui/react";
import type { Schemas } from "../../api/calls";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";

const TIMES = [
  ["bright_s", "Bright sun, s"],
  ["hazy_s", "Hazy sun, s"],
  ["cloudy_bright_s", "Cloudy bright, s"],
  ["overcast_s", "Overcast, s"],
] as const;

const BLANK = {
  exposure_index: 100,
  bright_s: "",
  hazy_s: "",
  cloudy_bright_s: "",
  overcast_s: "",
  law: null,
  said_by: "",
};

/** A pinhole's times by the sky, as its box or leaflet says them. */
export function LeafletField({
  value,
  onChange,
  problem,
}: {
  value: Schemas["Leaflet"] | null;
  onChange: (value: unknown) => void;
  problem: string | null;
}) {
  return (
    <Box>
      <Choose
        label="Times by the sky"
        value={value ? "leaflet" : ""}
        options={[
          { value: "", label: "by the table of skies" },
          { value: "leaflet", label: "as its box or leaflet says" },
        ]}
        onChange={(chosen) => onChange(chosen ? BLANK : null)}
      />
      {value && (
        <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="3" paddingTop="3">
          {TIMES.map(([path, label]) => (
            <Entry
              key={path}
              label={label}
              inputMode="decimal"
              defaultValue={String(value[path])}
              onText={(text) => onChange({ ...value, [path]: typedNumber(text) })}
            />
          ))}
          <Entry
            label="For film of EI"
            inputMode="decimal"
            defaultValue={String(value.exposure_index)}
            onText={(text) => onChange({ ...value, exposure_index: typedNumber(text) })}
          />
          <Entry
            label="Leaflet or box"
            value={value.said_by ?? ""}
            onText={(text) => onChange({ ...value, said_by: text })}
          />
        </Grid>
      )}
      <Small paddingTop="2">
        Then “hazy” on the reading line answers by it; other films follow by their EI and
        reciprocity.
      </Small>
      <Problem text={problem} />
    </Box>
  );
}
