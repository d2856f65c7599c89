import { createContext, type ReactNode, useCallback, useContext, useEffect, useState } from "react";
import type { Refusal } from "../api/refusal";

/* Where a refusal is said: at the field it means, or beneath the form when none of its fields is meant. */

interface Form {
  problem: Refusal | null;
  /** the field that says it */
  owner: string | null;
  /** a field is there, until it is gone */
  stands: (field: string) => () => void;
}

const InForm = createContext<Form | null>(null);

/** The field a refusal means: itself, under the form's longer name for it, or the nearest that holds it. */
export const ownerOf = (meant: string, fields: readonly string[]) =>
  fields.find((each) => each === meant) ??
  fields.find((each) => each.endsWith(`.${meant}`)) ??
  fields
    .filter((each) => meant.startsWith(`${each}.`))
    .sort((one, two) => two.length - one.length)[0] ??
  null;

/** The fields within say what of a refusal is meant for them. */
export function Refusals({ of: problem, children }: { of: Refusal | null; children: ReactNode }) {
  const [fields, setFields] = useState<readonly string[]>([]);
  const stands = useCallback((field: string) => {
    setFields((before) => [...before, field]);
    return () =>
      setFields((before) => before.filter((_, place) => place !== before.indexOf(field)));
  }, []);
  const owner = problem?.field ? ownerOf(problem.field, fields) : null;
  return <InForm value={{ problem, owner, stands }}>{children}</InForm>;
}

/** What is refused of a field of this form. */
export function useRefused(field: string | undefined) {
  const form = useContext(InForm);
  const stands = form?.stands;
  useEffect(() => (field === undefined ? undefined : stands?.(field)), [field, stands]);
  return field !== undefined && form?.owner === field ? form.problem?.message : null;
}

/** Whether a field of this form says it. */
export const useSaid = (problem: Refusal | null) => {
  const form = useContext(InForm);
  return problem !== null && form?.problem === problem && form.owner !== null;
};
