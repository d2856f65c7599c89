import { Grid } from "@chakra-ui/react";
import type { Schemas } from "../../api/calls";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Small } from "../../components/text";

const DEGREES = [
  { value: "C", label: "°C" },
  { value: "F", label: "°F" },
];
const VOLUMES = [
  { value: "ml", label: "ml" },
  { value: "fl oz", label: "fl oz" },
];
const TIME_ISO = [
  { value: "", label: "ask me" },
  { value: "film", label: "the film's EI" },
  { value: "100", label: "ISO 100" },
];
const LENGTHS = [
  { value: "mm", label: "mm" },
  { value: "in", label: "inches" },
];
const STOPS = [
  { value: "third", label: "thirds and halves" },
  { value: "tenth", label: "tenths" },
];
const DATES = [
  { value: "day first", label: "17 January 2026" },
  { value: "month first", label: "January 17, 2026" },
  { value: "iso", label: "2026-01-17" },
];
const COMMA = [
  { value: "", label: "ask once" },
  { value: "yes", label: "is 13.3: a decimal comma" },
  { value: "no", label: "is a slip" },
];
const SIMULATED = [
  { value: "", label: "off" },
  { value: "yes", label: "on, to try things out" },
];

/** How one writes what is measured, and what is read of what is typed. */
export function WritingWay({
  draft,
  set,
}: {
  draft: Schemas["Preferences"];
  set: (path: string, value: unknown) => void;
}) {
  return (
    <>
      <Grid templateColumns="1fr 1fr" gap="4">
        <Choose
          label="Lengths in"
          value={draft.measures?.length ?? "mm"}
          options={LENGTHS}
          onChange={(value) => set("measures.length", value)}
        />
        <Choose
          label="Stops in"
          value={draft.measures?.stops ?? "third"}
          options={STOPS}
          onChange={(value) => set("measures.stops", value)}
        />
        <Choose
          label="Dates as"
          value={draft.measures?.dates ?? "day first"}
          options={DATES}
          onChange={(value) => set("measures.dates", value)}
        />
        <Entry
          label="Currency"
          help="before the amount; empty: the number alone"
          value={draft.measures?.currency ?? ""}
          onText={(text) => set("measures.currency", text)}
          field="measures.currency"
        />
        <Choose
          label="Temperatures in"
          value={draft.measures?.temperature ?? "C"}
          options={DEGREES}
          onChange={(value) => set("measures.temperature", value)}
        />
        <Choose
          label="Volumes in"
          value={draft.measures?.volume ?? "ml"}
          options={VOLUMES}
          onChange={(value) => set("measures.volume", value)}
        />
        <Choose
          label="Meter times are for"
          value={draft.time_iso ?? ""}
          options={TIME_ISO}
          onChange={(value) => set("time_iso", value || null)}
        />
        <Choose
          label="A comma, as in 13,3"
          value={draft.decimal_comma == null ? "" : draft.decimal_comma ? "yes" : "no"}
          options={COMMA}
          onChange={(value) => set("decimal_comma", value ? value === "yes" : null)}
        />
        <Choose
          label="Simulated meter, thermometer, shutter tester"
          value={draft.simulated_devices ? "yes" : ""}
          options={SIMULATED}
          onChange={(value) => set("simulated_devices", value === "yes")}
        />
      </Grid>
      <Small>
        EVs, zones and dials stay in thirds; apertures and times stay as they are engraved, focal
        lengths and holes in millimetres.
      </Small>
    </>
  );
}
