import type { ReactNode } from "react";
import { Button } from "./Button";

/** Beneath a form: leave it as it was, or send it. */
export function FormFooter({
  close,
  form,
  disabled = false,
  children,
}: {
  close: () => void;
  /** the id of the form that is sent */
  form: string;
  disabled?: boolean;
  /** what sending it does */
  children: ReactNode;
}) {
  return (
    <>
      <Button onClick={close}>Cancel</Button>
      <Button variant="main" type="submit" form={form} disabled={disabled}>
        {children}
      </Button>
    </>
  );
}
