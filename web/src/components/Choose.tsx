import { Field, NativeSelect } from "@chakra-ui/react";

/** A labelled choice from a short list. */
export function Choose({
  label,
  value,
  options,
  onChange,
  problem,
  name,
}: {
  label: string;
  /** what it is called where several of one label stand together */
  name?: string;
  value: string;
  options: { value: string; label: string }[];
  onChange: (value: string) => void;
  problem?: string | null;
}) {
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
