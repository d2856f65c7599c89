import { Field, Input, Textarea } from "@chakra-ui/react";
import type { ComponentProps } from "react";

/** A labelled field with its help and, beside it, the one sentence of a refusal. */
export function Entry({
  label,
  help,
  problem,
  multiline,
  rows,
  ...rest
}: {
  label: string;
  help?: string;
  problem?: string | null;
  multiline?: boolean;
  rows?: number;
} & ComponentProps<typeof Input>) {
  return (
    <Field.Root invalid={Boolean(problem)}>
      <Field.Label>{label}</Field.Label>
      {multiline ? (
        <Textarea rows={rows} {...(rest as ComponentProps<typeof Textarea>)} />
      ) : (
        <Input autoComplete="off" {...rest} />
      )}
      {help && !problem && <Field.HelperText>{help}</Field.HelperText>}
      <Field.ErrorText role="alert">{problem}</Field.ErrorText>
    </Field.Root>
  );
}
