import { Field, NativeSelect } from "@chakra-ui/react";
import { useRefused } from "./refused";

/** Records to choose from by their names, or `none` of them. */
export const named = (records: readonly { id: string; name: string }[] = [], none?: string) => [
  ...(none === undefined ? [] : [{ value: "", label: none }]),
  ...records.map((each) => ({ value: each.id, label: each.name })),
];

/** A labelled choice from a short list. */
export function Choose({
  label,
  value,
  options,
  onChange,
  field,
  problem: own,
  name,
}: {
  label: string;
  /** what it is called where several of one label stand together */
  name?: string;
  value: string;
  options: { value: string; label: string }[];
  onChange: (value: string) => void;
  /** what it is called in a refusal */
  field?: string;
  problem?: string | null;
}) {
  const refused = useRefused(field);
  const problem = own ?? refused;
  return (
    <Field.Root invalid={Boolean(problem)}>
      <Field.Label>{label}</Field.Label>
      <NativeSelect.Root>
        <NativeSelect.Field
          aria-label={name}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          {options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      <Field.ErrorText role="alert">{problem}</Field.ErrorText>
    </Field.Root>
  );
}
