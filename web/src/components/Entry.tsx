import { Field, Input, Textarea } from "@chakra-ui/react";
import { type ComponentProps, useEffect, useId, useRef } from "react";
import { useRefused } from "./refused";

/** A labelled field with its help and, beside it, the one sentence of a refusal. */
export function Entry({
  label,
  field,
  onText,
  help,
  problem: own,
  multiline,
  rows,
  suggest,
  ...rest
}: {
  label: string;
  /** what it is called in a refusal: the form shows there what is meant for it */
  field?: string;
  onText?: (text: string) => void;
  help?: string;
  problem?: string | null;
  multiline?: boolean;
  rows?: number;
  /** what may be meant, to choose from while typing */
  suggest?: readonly string[];
} & ComponentProps<typeof Input>) {
  const list = useId();
  const root = useRef<HTMLDivElement>(null);
  const refused = useRefused(field);
  const problem = own ?? refused;
  // a form that was sent and refused is left where it was sent: its first wrong field is next
  useEffect(() => {
    const sent = document.activeElement;
    if (!problem || !(sent instanceof HTMLButtonElement) || sent.type !== "submit") return;
    const form = root.current?.closest('[role="dialog"], form');
    form?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  }, [problem]);
  const type = onText && ((event: { target: { value: string } }) => onText(event.target.value));
  return (
    <Field.Root ref={root} invalid={Boolean(problem)}>
      <Field.Label>{label}</Field.Label>
      {multiline ? (
        <Textarea rows={rows} onChange={type} {...(rest as ComponentProps<typeof Textarea>)} />
      ) : (
        <Input autoComplete="off" list={suggest && list} onChange={type} {...rest} />
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
