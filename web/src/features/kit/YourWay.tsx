import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { wayQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { Carry } from "./Carry";
import { Devices } from "./Devices";
import { putPreferences } from "./queries";
import { valueAt, withValue } from "./record";
import { WritingWay } from "./WritingWay";

type Preferences = Schemas["Preferences"];

const HABITS = [
  ["habits.shadow_zone", "Shadow zone", "III or IV"],
  ["habits.highlight_zone", "Highlight zone", "VII to VIII; between them, as 7.5"],
  ["habits.target_zone", "Highlights are meant for", "VIII, or VII"],
] as const;
const BY_HAND = "hand_factor";
const BLUR = "habits.blur_mm";
const EI_BY_N = [
  { value: "yes", label: "the EI tested for it" },
  { value: "", label: "the film's EI" },
];
const ERRORS = [
  { value: "", label: "develop as planned" },
  { value: "yes", label: "hold the highlights" },
];

const WEIGHTS = [
  ["weights.tones", "Lost texture, per zone"],
  ["weights.development", "A step of N"],
  ["weights.error", "A stop off"],
  ["weights.movement", "A stop too long for what moves"],
  ["weights.depth", "A stop short of depth, or softened"],
  ["weights.extrapolation", "Beyond the film's data"],
  ["weights.waiting", "Waiting, per doubling beyond 1 min"],
  ["weights.change", "Departing from your choice"],
] as const;

const SOUNDS = [
  ["sounds.start", "when the shutter opens"],
  ["sounds.each_ten", "every ten seconds"],
  ["sounds.last_five", "the last five seconds"],
  ["sounds.end", "at the end"],
] as const;

/** How the photographer works: it sets the defaults of new scenes, and nothing else. */
export function YourWay({ open, setOpen }: { open: boolean; setOpen: (open: boolean) => void }) {
  const way = useQuery(wayQuery).data;
  const preferences = way?.preferences;
  const school = OFFERED.schools.find((each) => each.value === (preferences?.school ?? ""));
  return (
    <Box as="section" aria-label="Preferences">
      <Flex justify="space-between" align="center" borderBottom="2px solid" borderColor="ink">
        <Box as="h2" fontSize="19px">
          Preferences
        </Box>
        <Button variant="quiet" disabled={!preferences} onClick={() => setOpen(true)}>
          Change
        </Button>
      </Flex>
      <Box paddingBlock="2">
        <Box fontWeight={550}>{school?.label}</Box>
        <Small>
          {preferences &&
            `${preferences.checklist?.length ?? 0} steps before opening; weights of the second opinion, sounds of the clock`}
        </Small>
      </Box>
      <Carry />
      <Devices />
      {open && way && <WaySheet way={way} close={() => setOpen(false)} />}
    </Box>
  );
}

function WaySheet({ way, close }: { way: Schemas["KeptPreferences"]; close: () => void }) {
  const { preferences } = way;
  const [draft, setDraft] = useState<Preferences>(preferences);
  const [steps, setSteps] = useState((preferences.checklist ?? []).join("\n"));
  const writing = useWrite(close);
  const set = (path: string, value: unknown) =>
    setDraft((before) => withValue(before, path, value));
  const checklist = steps
    .split("\n")
    .map((step) => step.trim())
    .filter(Boolean);
  const wanted = { ...draft, checklist };
  const keep = (base: string) => writing.write(putPreferences(wanted, base));
  const number = (path: string, label: string, help?: string) => (
    <Entry
      key={path}
      label={label}
      help={help}
      inputMode="decimal"
      defaultValue={String(valueAt(draft, path))}
      onText={(text) => set(path, typedNumber(text))}
      field={path}
    />
  );
  return (
    <FormSheet
      close={close}
      title="Preferences"
      writing={writing}
      keep={keep}
      base={way.version}
      mine={wanted}
    >
      <Choose
        label="Default placement"
        value={draft.school ?? ""}
        options={OFFERED.schools}
        onChange={(value) => set("school", value || null)}
      />
      <Grid templateColumns="1fr 1fr" gap="4">
        {HABITS.map(([path, label, help]) => (
          <Entry
            key={path}
            label={label}
            help={help}
            defaultValue={way.zones[path]}
            onText={(text) => set(path, typedNumber(text))}
            field={path}
          />
        ))}
        <Entry
          label="Blur allowed on the film, mm"
          help="empty: by the format, its diagonal ÷ 1500"
          inputMode="decimal"
          defaultValue={String(valueAt(draft, BLUR) ?? "")}
          onText={(text) => set(BLUR, text.trim() ? typedNumber(text) : null)}
          field={BLUR}
        />
        {number(BY_HAND, "By hand, factor on 1/focal length", "2 is twice as short")}
        <Choose
          label="EI at N+ and N−"
          value={draft.habits?.ei_by_n === false ? "" : "yes"}
          options={EI_BY_N}
          onChange={(value) => set("habits.ei_by_n", value === "yes")}
        />
        <Choose
          label="When an exposure was off"
          value={draft.habits?.hold_highlights ? "yes" : ""}
          options={ERRORS}
          onChange={(value) => set("habits.hold_highlights", value === "yes")}
        />
        <Choose
          label="Negatives are for"
          value={draft.printed_by ?? "diffusion"}
          options={OFFERED.printed_by}
          onChange={(value) => set("printed_by", value)}
        />
      </Grid>
      <WritingWay draft={draft} set={set} />
      <Entry
        label="Before opening the shutter, one step a line"
        multiline
        rows={5}
        value={steps}
        onText={setSteps}
        field="checklist"
      />
      <Entry
        label="Afterwards"
        value={draft.after ?? ""}
        onText={(text) => set("after", text)}
        field="after"
      />
      <Box as="fieldset" border="none" padding="0">
        <Box as="legend" fontWeight={600} paddingBottom="1">
          The clock sounds
        </Box>
        {SOUNDS.map(([path, label]) => (
          <Flex as="label" key={path} align="center" gap="3" minHeight="44px" cursor="pointer">
            <input
              type="checkbox"
              checked={Boolean(valueAt(draft, path))}
              onChange={(event) => set(path, event.target.checked)}
              style={{ width: 22, height: 22, accentColor: "var(--chakra-colors-accent)" }}
            />
            {label}
          </Flex>
        ))}
      </Box>
      <Box>
        <Box fontWeight={600}>What the second opinion weighs</Box>
        <Small paddingBottom="2">
          A plan costs the sum of these; the cheapest three are shown.
        </Small>
        <Grid templateColumns="1fr 1fr" gap="4">
          {WEIGHTS.map(([path, label]) => number(path, label))}
        </Grid>
      </Box>
    </FormSheet>
  );
}
