import { Field, Input, Textarea } from "@chakra-ui/react";
import { type ComponentProps, useEffect, useId, useRef } from "react";

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
  const root = useRef<HTMLDivElement>(null);
  // a form that was sent and refused is left where it was sent: its first wrong field is next
  useEffect(() => {
    const sent = document.activeElement;
    if (!problem || !(sent instanceof HTMLButtonElement) || sent.type !== "submit") return;
    const form = root.current?.closest('[role="dialog"], form');
    form?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [problem]);
  return (
    <Field.Root ref={root} invalid={Boolean(problem)}>
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
