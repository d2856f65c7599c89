import { Field, Input, Textarea } from "@chakra-ui/react";
import { type ComponentProps, useId } from "react";

/** A labelled field with its help and, beside it, the one sentence of a refusal. */
export function Entry({
  label,
  help,
  problem,
  multiline,
  rows,
  suggest,
  ...rest
}: {
  label: string;
  help?: string;
  problem?: string | null;
  multiline?: boolean;
  rows?: number;
  /** what may be meant, to choose from while typing */
  suggest?: readonly string[];
} & ComponentProps<typeof Input>) {
  const list = useId();
  return (
    <Field.Root invalid={Boolean(problem)}>
      <Field.Label>{label}</Field.Label>
      {multiline ? (
        <Textarea rows={rows} {...(rest as ComponentProps<typeof Textarea>)} />
      ) : (
        <Input autoComplete="off" list={suggest && list} {...rest} />
      )}
      {suggest && (
        <datalist id={list}>
          {suggest.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
      )}
      {help && !problem && <Field.HelperText>{help}</Field.HelperText>}
      <Field.ErrorText role="alert">{problem}</Field.ErrorText>
    </Field.Root>
  );
}
