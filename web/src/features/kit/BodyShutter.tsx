import { Box, Grid } from "@chakra-ui/react";
import type { Schemas } from "../../api/calls";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Tick } from "../../components/Tick";
import { BEGUN, OFFERED } from "../../service/service";

type Shutter = NonNullable<Schemas["Camera"]["shutter"]>;

/** A shutter in the camera's body: every lens of it goes by that, and it is measured once. */
export function BodyShutter({
  value,
  onChange,
  problem,
}: {
  value: Shutter | null | undefined;
  onChange: (shutter: unknown) => void;
  problem: string | null;
}) {
  const give = (to: Partial<Shutter>) => onChange({ ...value, ...to });
  return (
    <Box as="fieldset">
      <Tick on={Boolean(value)} set={(on) => onChange(on ? { ...BEGUN.shutter } : null)}>
        its shutter is in the body, for all its lenses
      </Tick>
      {value && (
        <Grid templateColumns="1fr 1fr" gap="3">
          <Entry
            label="Fastest time of the body"
            value={String(value.fastest)}
            onText={(text) => give({ fastest: text })}
          />
          <Entry
            label="Slowest marked time of the body"
            value={String(value.slowest)}
            onText={(text) => give({ slowest: text })}
          />
          <Choose
            label="Marks of the body"
            value={value.series}
            options={OFFERED.series}
            onChange={(series) => give({ series: series as Shutter["series"] })}
          />
          <Choose
            label="Beyond its slowest mark"
            value={value.by_hand}
            options={OFFERED.by_hand}
            onChange={(by_hand) => give({ by_hand: by_hand as Shutter["by_hand"] })}
          />
        </Grid>
      )}
      <Problem text={problem} />
    </Box>
  );
}
