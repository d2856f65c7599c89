import { Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { newId, type Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Conflict } from "../../components/Conflict";
import { Entry } from "../../components/Entry";
import { History } from "../../components/History";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../components/useWrite";
import { AGITATIONS } from "./agitations";
import { BacksField } from "./BacksField";
import { BathsField } from "./BathsField";
import { type FieldSpec, KINDS, type Kind } from "./fields";
import { LawField } from "./LawField";
import { MeasuredField } from "./MeasuredField";
import { PinholeFacts } from "./PinholeFacts";
import { PointsField } from "./PointsField";
import { deleteRecord, putRecord } from "./queries";
import { valueAt, withValue } from "./record";
import { StrengthField } from "./StrengthField";

type Record_ = { id: string; name?: string; archived?: boolean };

/** Any record of the kit, made from its list of fields; a refusal stands at the field it means. */
export function RecordSheet({
  kind,
  record,
  known,
  kit,
  close,
}: {
  kind: Kind;
  record: Record_;
  known: boolean;
  kit: Schemas["Kit"];
  close: () => void;
}) {
  const spec = KINDS[kind];
  const [draft, setDraft] = useState<Record_>(record);
  const [old, setOld] = useState(known);
  const copy = () => {
    setDraft({ ...draft, id: newId(), name: `${draft.name} copy`, archived: false });
    setOld(false);
    setProblem(null);
  };
  const { problem, setProblem, write, take } = useWrite(close);
  // the version this change began on: what is kept meanwhile by another hand is not overwritten
  const [began] = useState(kit.versions[record.id]);
  const keep = (base = old ? began : undefined) => write(() => putRecord(kind, draft, base));
  const archive = () =>
    write(() => putRecord(kind, { ...draft, archived: !draft.archived } as Record_, began));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep();
  };
  const owner = spec.fields.find((field) => covers(field.path, problem?.field ?? ""));
  return (
    <Sheet
      open
      close={close}
      title={old ? `Change this ${spec.one}` : `Add a ${spec.one}`}
      footer={
        <>
          {old && (
            <Flex
              flex={{ base: "1 0 100%", md: "0 0 auto" }}
              justify="flex-end"
              gap={{ base: "4", md: "3" }}
            >
              <Button
                variant="quiet"
                paddingInline={{ base: "1.5", md: "2" }}
                color="brick"
                onClick={() => write(() => deleteRecord(kind, record.id))}
              >
                Delete
              </Button>
              <Button variant="quiet" paddingInline={{ base: "1.5", md: "2" }} onClick={archive}>
                {draft.archived ? "Bring back" : "Archive"}
              </Button>
              <Button variant="quiet" paddingInline={{ base: "1.5", md: "2" }} onClick={copy}>
                Copy
              </Button>
              <History id={record.id} after={close} />
            </Flex>
          )}
          <Button onClick={close}>Close</Button>
          <Button variant="main" type="submit" form="record">
            Keep
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="record" onSubmit={submit}>
        {spec.fields.map((field) => (
          <FieldOf
            key={field.path}
            field={field}
            value={valueAt(draft, field.path)}
            kit={kit}
            record={draft}
            problem={owner === field ? (problem?.message ?? null) : null}
            onChange={(value) => setDraft((before) => withValue(before, field.path, value))}
          />
        ))}
        {kind === "pinholes" && (
          <PinholeFacts
            optics={valueAt(draft, "optics") as Schemas["Pinhole"]}
            format={formatOf(kit, valueAt(draft, "camera_id"))}
          />
        )}
        {!owner && <Problem of={problem} />}
        <Conflict problem={problem} mine={draft} keep={keep} take={take} />
      </Flex>
    </Sheet>
  );
}

const formatOf = (kit: Schemas["Kit"], cameraId: unknown): [number, number] =>
  (kit.cameras.find((each) => each.id === cameraId)?.format_mm as [number, number]) ?? [120, 95];

const covers = (path: string, field: string) =>
  field === path ||
  field.startsWith(`${path}.`) ||
  (field === "textural_range" && path === "textural_range.1");

interface FieldProps {
  field: FieldSpec;
  value: unknown;
  kit: Schemas["Kit"];
  record: unknown;
  problem: string | null;
  onChange: (value: unknown) => void;
}

const SERIES = [
  { value: "full", label: "full stops" },
  { value: "half", label: "half stops" },
  { value: "third", label: "thirds" },
  { value: "old_leaf", label: "old leaf shutter (1/5, 1/10, 1/25 …)" },
];

const SCALES = [
  { value: "third", label: "thirds of a stop" },
  { value: "half", label: "half stops" },
  { value: "tenth", label: "tenths" },
  { value: "full", label: "whole stops" },
];
const BOTTLES = [
  "developer",
  "part A",
  "part B",
  "stop",
  "fixer",
  "washing aid",
  "wetting agent",
].map((kind) => ({ value: kind, label: kind }));
const BY_HAND = [
  { value: "B and T", label: "by hand, on B or T" },
  { value: "B", label: "by hand, on B" },
  { value: "T", label: "by hand, on T" },
  { value: "none", label: "not possible: no B, no T" },
];

function FieldOf({ field, value, kit, record, problem, onChange }: FieldProps) {
  const text = value == null ? "" : String(value);
  const named = (records: { id: string; name: string }[]) =>
    records.map((each) => ({ value: each.id, label: each.name }));
  switch (field.as) {
    case "law":
      return (
        <LawField value={value as Schemas["Film"]["law"]} onChange={onChange} problem={problem} />
      );
    case "points":
      return (
        <PointsField value={value as Schemas["Point"][]} onChange={onChange} problem={problem} />
      );
    case "strength":
      return (
        <StrengthField value={value as Schemas["Filter"]} onChange={onChange} problem={problem} />
      );
    case "measured":
      return (
        <MeasuredField
          shutter={valueAt(record, "optics.shutter") as Schemas["Shutter"]}
          onChange={onChange}
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
      return (
        <BathsField value={value as Schemas["Bath"][]} onChange={onChange} problem={problem} />
      );
    case "agitation":
    case "bottle":
      return (
        <Choose
          label={field.label}
          value={text}
          options={field.as === "agitation" ? AGITATIONS : BOTTLES}
          onChange={onChange}
          problem={problem}
        />
      );
    case "day":
      return (
        <Entry
          label={field.label}
          type="date"
          value={text}
          onChange={(event) => onChange(event.target.value)}
          problem={problem}
        />
      );
    case "scale":
    case "byhand":
      return (
        <Choose
          label={field.label}
          value={text}
          options={field.as === "scale" ? SCALES : BY_HAND}
          onChange={onChange}
          problem={problem}
        />
      );
    case "optional":
      return (
        <Entry
          label={field.label}
          help={field.help}
          inputMode="decimal"
          defaultValue={text}
          onChange={(event) =>
            onChange(event.target.value.trim() ? typedNumber(event.target.value) : null)
          }
          problem={problem}
        />
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
    case "series":
      return (
        <Choose
          label={field.label}
          value={text}
          options={SERIES}
          onChange={onChange}
          problem={problem}
        />
      );
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
        <Entry
          label={field.label}
          multiline
          value={text}
          onChange={(event) => onChange(event.target.value)}
          problem={problem}
        />
      );
    case "number":
      return (
        <Entry
          label={field.label}
          help={field.help}
          inputMode="decimal"
          defaultValue={text}
          onChange={(event) => onChange(typedNumber(event.target.value))}
          problem={problem}
        />
      );
    default:
      return (
        <Entry
          label={field.label}
          help={field.help}
          value={text}
          onChange={(event) => onChange(event.target.value)}
          problem={problem}
        />
      );
  }
}
