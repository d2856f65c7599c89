import { Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../../../components/Button";
import { Choose } from "../../../components/Choose";
import { Entry } from "../../../components/Entry";
import { typedNumber } from "../../../components/typedNumber";
import { type Unit, useMeasures } from "../../../shared/measures";
import type { Scene } from "../queries";
import type { ChoicesProps, WordProps } from "./props";
import { Refused } from "./Said";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

type Focus = Scene["focus"];

const FOCUS = {
  unsaid: { name: "not set", fields: [] },
  infinity: { name: "infinity", fields: [] },
  draw: { name: "draw beyond infinity", fields: [["draw_mm", "Draw"]] },
  extension: { name: "whole extension", fields: [["extension_mm", "Lens to film"]] },
  magnification: { name: "magnification", fields: [["m", "Image size ÷ subject size"]] },
  target: {
    name: "target on the glass",
    fields: [
      ["target_mm", "Target"],
      ["image_mm", "Its image"],
    ],
  },
  subject: { name: "subject distance", fields: [["distance_mm", "Subject to lens"]] },
} as const;

function focusText(focus: Focus, mm: Unit): string {
  if (!focus) return "not set";
  switch (focus.kind) {
    case "draw":
      return `${mm.text(focus.draw_mm)} past infinity`;
    case "extension":
      return `${mm.text(focus.extension_mm)} extension`;
    case "magnification":
      return `magnification ${focus.m}`;
    case "target":
      return `target ${mm.show(focus.target_mm)} → ${mm.text(focus.image_mm)}`;
    case "subject":
      return `subject at ${mm.text(focus.distance_mm)}`;
    default:
      return "infinity";
  }
}

export function FocusWord({ scene, solution, edit }: WordProps) {
  const { mm } = useMeasures();
  const wrong = solution?.problem?.field?.startsWith("focus");
  return (
    <Word
      label="Focus"
      named={!scene.focus}
      value={focusText(scene.focus, mm)}
      problem={wrong ? "focus" : null}
    >
      {(close) => <FocusChoices scene={scene} edit={edit} close={close} />}
    </Word>
  );
}

function FocusChoices({ scene, edit, close }: Omit<ChoicesProps, "kit">) {
  const { keep, problem } = useKeep(edit, close);
  const { mm } = useMeasures();
  const [kind, setKind] = useState<keyof typeof FOCUS>(scene.focus?.kind ?? "unsaid");
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      Object.entries(scene.focus ?? {}).map(([name, value]) => [
        name,
        typeof value === "number" && name.endsWith("_mm") ? mm.show(value) : String(value),
      ]),
    ),
  );
  const fields = FOCUS[kind].fields;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const values = Object.fromEntries(
      fields.map(([name]) => [
        name,
        name.endsWith("_mm") ? mm.typed(typed[name] ?? "") : typedNumber(typed[name] ?? ""),
      ]),
    );
    void keep({
      kind: "focus",
      focus: kind === "unsaid" ? null : ({ kind, ...values } as Focus),
    });
  };
  return (
    <Flex direction="column" gap="3" as="form" onSubmit={submit}>
      <Choose
        label="Focus given as"
        value={kind}
        options={Object.entries(FOCUS).map(([value, each]) => ({ value, label: each.name }))}
        onChange={(value) => setKind(value as keyof typeof FOCUS)}
      />
      {fields.map(([name, label], place) => (
        <Entry
          key={name}
          label={name.endsWith("_mm") ? `${label}, ${mm.name}` : label}
          inputMode="decimal"
          value={typed[name] ?? ""}
          onText={(text) => setTyped({ ...typed, [name]: text })}
          problem={place === fields.length - 1 ? problem : null}
        />
      ))}
      {fields.length === 0 && <Refused text={problem} />}
      <Button type="submit" variant="main">
        Set focus
      </Button>
    </Flex>
  );
}
