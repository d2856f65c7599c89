import type { Schemas } from "../../api/calls";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Fieldset } from "../../components/Fieldset";
import { Tick } from "../../components/Tick";
import { Quiet } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { useMeasures } from "../../shared/measures";
import { ZONES } from "../../shared/zones";
import { AgitationField } from "./AgitationField";
import { BacksField } from "./BacksField";
import { BathsField } from "./BathsField";
import { BodyShutter } from "./BodyShutter";
import { FilmKindField } from "./FilmKindField";
import type { FieldSpec } from "./fields";
import { LawField } from "./LawField";
import { LeafletField } from "./LeafletField";
import { LinesField } from "./LinesField";
import { MeasuredField } from "./MeasuredField";
import { valueAt } from "./record";
import { StrengthField } from "./StrengthField";

interface FieldProps {
  field: FieldSpec;
  value: unknown;
  kit: Schemas["Kit"];
  record: unknown;
  problem: string | null;
  onChange: (value: unknown) => void;
  /** several fields of the record at once */
  onRecord: (values: Record<string, unknown>) => void;
}

/** Fields that are a word from a short list. */
const CHOICES: Partial<Record<FieldSpec["as"], { value: string; label: string }[]>> = {
  series: OFFERED.series,
  apertures: OFFERED.aperture_series,
  rollfilm: OFFERED.own_films,
  scale: OFFERED.scales,
  byhand: OFFERED.by_hand,
  bottle: OFFERED.bottles,
  powder: OFFERED.powders,
  colon: OFFERED.colons,
};

const names = (kit: Schemas["Kit"]) =>
  (kit.developers as [string, string[]][]).map(([name]) => name);

/** How a developer of this name is usually diluted; every dilution while it has none. */
function dilutions(kit: Schemas["Kit"], record: unknown): string[] {
  const developers = kit.developers as [string, string[]][];
  const known = developers.find(([name]) => name === valueAt(record, "recipe.developer"));
  return known ? known[1] : [...new Set(developers.flatMap(([, usual]) => usual))];
}

/** One field of a record, the way its kind is typed or chosen. */
export function FieldOf({ field, value, kit, record, problem, onChange, onRecord }: FieldProps) {
  const units = useMeasures();
  const text = value == null ? "" : String(value);
  const options = CHOICES[field.as];
  if (options) {
    return (
      <Choose
        label={field.label}
        value={text}
        options={options}
        // an empty choice is none, but where it is a word
        onChange={(key) => onChange(key || (field.as === "rollfilm" ? "" : null))}
        problem={problem}
      />
    );
  }
  switch (field.as) {
    case "agitation":
      return (
        <AgitationField
          label={field.label}
          value={text}
          agitations={kit.agitations}
          onChange={onChange}
          problem={problem}
        />
      );
    case "filmkind":
      return (
        <FilmKindField
          value={text as Schemas["FilmKindRequest"]["kind"] | ""}
          onChange={onChange}
          onRecord={onRecord}
          problem={problem}
        />
      );
    case "law":
      return (
        <LawField
          value={value as Schemas["Film"]["law"]}
          films={kit.films}
          own={(record as { id: string }).id}
          onChange={onChange}
          problem={problem}
        />
      );
    case "developer":
    case "dilution":
      return (
        <Entry
          label={field.label}
          help={field.help}
          value={text}
          suggest={field.as === "developer" ? names(kit) : dilutions(kit, record)}
          onText={onChange}
          problem={problem}
        />
      );
    case "leaflet":
      return (
        <LeafletField
          value={value as Schemas["Leaflet"] | null}
          onChange={onChange}
          problem={problem}
        />
      );
    case "points":
    case "ratings":
    case "warmth":
    case "parts":
    case "paperfilters":
    case "papersteps":
    case "focals":
    case "paperboxes":
      return (
        <LinesField
          kind={field.as}
          label={field.label}
          text={kit.tables[(record as { id: string }).id]?.[field.path] ?? ""}
          onChange={onChange}
          problem={problem}
        />
      );
    case "scheme":
      return (
        <AgitationField
          label={field.label}
          value={text}
          agitations={kit.agitations}
          none="as the tank"
          onChange={onChange}
          problem={problem}
        />
      );
    case "zone":
      return (
        <Entry
          label={field.label}
          defaultValue={
            typeof value === "string"
              ? value
              : (kit.tables[(record as { id: string }).id]?.[field.path] ??
                ZONES[Number(value)] ??
                text)
          }
          onText={(text) => onChange(typedNumber(text))}
          problem={problem}
        />
      );
    case "strength":
      return (
        <StrengthField value={value as Schemas["Filter"]} onChange={onChange} problem={problem} />
      );
    case "measured":
      return (
        <MeasuredField
          shutter={valueAt(record, "optics.shutter") as Schemas["Shutter"]}
          problem={problem}
        />
      );
    case "backs":
      return (
        <BacksField
          value={(value as Schemas["Back"][]) ?? []}
          onChange={onChange}
          problem={problem}
        />
      );
    case "baths":
    case "paperbaths":
      return (
        <BathsField
          paper={field.as === "paperbaths"}
          value={value as Schemas["Bath"][]}
          agitations={kit.agitations}
          onChange={onChange}
          problem={problem}
        />
      );
    case "day":
      return (
        <Entry label={field.label} type="date" value={text} onText={onChange} problem={problem} />
      );
    case "film":
      return (
        <Choose
          label={field.label}
          value={text}
          options={[{ value: "", label: "choose a film" }, ...named(kit.films)]}
          onChange={onChange}
          problem={problem}
        />
      );
    case "camera":
      return (
        <Choose
          label={field.label}
          value={text}
          options={[{ value: "", label: "none" }, ...named(kit.cameras)]}
          onChange={(id) => onChange(id || null)}
          problem={problem}
        />
      );
    case "body":
      return (
        <BodyShutter
          value={value as Schemas["Camera"]["shutter"]}
          onChange={onChange}
          problem={problem}
        />
      );
    case "lenses": {
      const chosen = (value as string[] | undefined) ?? [];
      return (
        <Fieldset legend={field.label}>
          {kit.lenses.length === 0 && <Quiet>no lens in the kit yet</Quiet>}
          {kit.lenses.map((each) => (
            <Tick
              key={each.id}
              on={chosen.includes(each.id)}
              set={(on) =>
                onChange(on ? [...chosen, each.id] : chosen.filter((id) => id !== each.id))
              }
            >
              {each.name}
            </Tick>
          ))}
        </Fieldset>
      );
    }
    case "flag":
      return (
        <Choose
          label={field.label}
          value={value ? "yes" : "no"}
          options={[
            { value: "no", label: "no" },
            { value: "yes", label: "yes" },
          ]}
          onChange={(chosen) => onChange(chosen === "yes")}
          problem={problem}
        />
      );
    case "note":
      return (
        <Entry label={field.label} multiline value={text} onText={onChange} problem={problem} />
      );
    case "number":
    case "optional": {
      const unit = field.unit && units[field.unit];
      return (
        <Entry
          label={unit ? `${field.label}, ${unit.name}` : field.label}
          help={field.help}
          inputMode="decimal"
          defaultValue={unit && typeof value === "number" ? unit.show(value) : text}
          onText={(text) =>
            onChange(
              field.as === "optional" && !text.trim()
                ? null
                : unit
                  ? unit.typed(text)
                  : typedNumber(text),
            )
          }
          problem={problem}
        />
      );
    }
    default:
      return (
        <Entry
          label={field.label}
          help={field.help}
          value={text}
          onText={onChange}
          problem={problem}
        />
      );
  }
}
