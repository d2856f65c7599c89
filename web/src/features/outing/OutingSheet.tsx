import { Grid } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
import { History } from "../../shared/History";
import { useMeasures } from "../../shared/measures";
import { useWrite } from "../../shared/useWrite";
import { HereButton } from "./HereButton";
import { deleteOuting, type Outing, type OutingView, putOuting } from "./queries";

const TEXTS = ["title", "day", "place", "conditions", "light", "note"] as const;
const NUMBERS = ["temperature_c", "latitude", "longitude", "height_m"] as const;

/** Where, when and in what weather; typed once for the day. */
export function OutingSheet({
  outing,
  kept,
  before,
  close,
}: {
  outing: Outing;
  /** an outing before it whose place is known */
  before: Outing | undefined;
  kept: OutingView | undefined;
  close: () => void;
}) {
  const [draft, setDraft] = useState(outing);
  const [began] = useState(kept?.version ?? "");
  const celsius = useMeasures()["°C"];
  const [typed, setTyped] = useState({
    temperature_c: outing.temperature_c == null ? "" : celsius.show(outing.temperature_c),
    latitude: String(outing.latitude ?? ""),
    longitude: String(outing.longitude ?? ""),
    height_m: String(outing.height_m || ""),
  });
  const writing = useWrite(close);
  const wanted: Outing = { ...draft };
  for (const field of NUMBERS) {
    const value = typed[field].trim()
      ? (field === "temperature_c" ? celsius.typed : typedNumber)(typed[field])
      : null;
    if (field === "height_m") wanted.height_m = value ?? 0;
    else wanted[field] = value;
  }
  const keep = (base: string) => writing.write(putOuting(wanted, base));
  const text = (field: (typeof TEXTS)[number], label: string, more: object = {}) => (
    <Entry
      label={label}
      value={draft[field]}
      onText={(text) => setDraft({ ...draft, [field]: text })}
      field={field}
      {...more}
    />
  );
  const number = (field: (typeof NUMBERS)[number], label: string, placeholder: string) => (
    <Entry
      label={label}
      inputMode="decimal"
      placeholder={placeholder}
      value={typed[field]}
      onText={(text) => setTyped({ ...typed, [field]: text })}
      field={field}
    />
  );
  return (
    <FormSheet
      close={close}
      title={kept ? "Outing" : "New outing"}
      writing={writing}
      keep={keep}
      base={began}
      mine={wanted}
      beside={
        <>
          {kept && kept.scenes.length === 0 && (
            <Button
              variant="quiet"
              color="brick"
              onClick={() => writing.write(deleteOuting(outing.id))}
            >
              Delete outing
            </Button>
          )}
          {kept && <History id={outing.id} after={close} />}
        </>
      }
    >
      {text("title", "Title", { autoFocus: true, placeholder: "Fourth outing, thaw" })}
      <Grid templateColumns="1fr 1fr" gap="4">
        {text("day", "Day", { type: "date" })}
        {text("place", "Place")}
        {text("conditions", "Weather", { placeholder: "frost, no wind" })}
        {text("light", "Light", { placeholder: "thin cloud, low sun" })}
        {number("temperature_c", `Temperature, ${celsius.name}`, "-4")}
      </Grid>
      <Grid templateColumns="1fr 1fr" gap="4">
        {number("latitude", "Latitude, degrees", "north +, optional")}
        {number("longitude", "Longitude, degrees", "east is +")}
        {number("height_m", "Height above the sea, m", "0")}
      </Grid>
      <HereButton
        found={(latitude, longitude) => setTyped((now) => ({ ...now, latitude, longitude }))}
      />
      {before && (
        <Button
          onClick={() => {
            setDraft({ ...draft, place: draft.place || before.place });
            setTyped((now) => ({
              ...now,
              latitude: String(before.latitude),
              longitude: String(before.longitude),
              height_m: String(before.height_m || ""),
            }));
          }}
        >
          {`Same place as ${before.title}`}
        </Button>
      )}
      <Small>
        The place tells when the sun rises, where shadows fall and how bright dusk is. It stays on
        this device.
      </Small>
      {text("note", "Note", { multiline: true })}
    </FormSheet>
  );
}
