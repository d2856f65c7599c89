import { Flex } from "@chakra-ui/react";
import { type ReactNode, useId } from "react";
import type { Refusal } from "../api/refusal";
import { Button } from "../components/Button";
import { Problem } from "../components/Problem";
import { Refusals } from "../components/refused";
import { Sheet } from "../components/Sheet";
import { Conflict } from "./Conflict";

/** A dialog that is a form: its fields, what was refused of it, and beneath it *Cancel* and what
    sending it does. What another hand kept meanwhile is shown against `mine`. */
export function FormSheet({
  title,
  close,
  writing: { problem, busy, take },
  keep,
  base = "",
  mine,
  says = "Save",
  unready = false,
  beside,
  instead,
  wide = false,
  gap = "4",
  children,
}: {
  title: ReactNode;
  close: () => void;
  writing: { problem: Refusal | null; busy: boolean; take: () => void };
  /** sends it, on the version it was changed from */
  keep: (base: string) => void;
  base?: string;
  /** what is kept */
  mine?: object;
  /** what sending it does, in a word */
  says?: ReactNode;
  /** nothing to be sent yet */
  unready?: boolean;
  /** what else can be done, before *Cancel* */
  beside?: ReactNode;
  /** another way to go on, before sending */
  instead?: ReactNode;
  wide?: boolean;
  gap?: string;
  children: ReactNode;
}) {
  const form = useId();
  return (
    <Sheet
      open
      close={close}
      title={title}
      wide={wide}
      footer={
        <>
          {beside}
          <Button onClick={close}>Cancel</Button>
          {instead}
          <Button variant="main" type="submit" form={form} disabled={busy || unready}>
            {says}
          </Button>
        </>
      }
    >
      <Refusals of={problem}>
        <Flex
          as="form"
          id={form}
          direction="column"
          gap={gap}
          onSubmit={(event) => {
            event.preventDefault();
            keep(base);
          }}
        >
          {children}
          <Problem of={problem} />
          {mine && <Conflict problem={problem} mine={mine} keep={keep} take={take} />}
        </Flex>
      </Refusals>
    </Sheet>
  );
}
