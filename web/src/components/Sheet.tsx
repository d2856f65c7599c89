import { Box, Dialog, Portal } from "@chakra-ui/react";
import { createContext, type ReactNode, useContext, useEffect, useState } from "react";
import { Button } from "./Button";
import { useOpener } from "./useOpener";

/** What the application asks wherever one types. */
export const InSheets = createContext<ReactNode>(null);

/**
 * A dialog that rises from below on a phone and stands in the middle on a wide screen. Once something
 * was typed in it, a touch beside it does nothing, and Escape asks first.
 */
export function Sheet({
  open,
  close,
  title,
  children,
  footer,
  wide,
}: {
  open: boolean;
  close: () => void;
  title: ReactNode;
  children: ReactNode;
  footer?: ReactNode;
  /** two columns beside each other, where there is room for them */
  wide?: boolean;
}) {
  const asking = useContext(InSheets);
  useOpener(open);
  const [typed, setTyped] = useState(false);
  const [asked, setAsked] = useState(false);
  const begin = () => {
    setTyped(false);
    setAsked(false);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: each opening begins anew
  useEffect(begin, [open]);
  useEffect(() => {
    if (!open || !typed) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [open, typed]);
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(change) => !change.open && close()}
      onEscapeKeyDown={(event) => {
        if (!typed) return;
        event.preventDefault();
        setAsked(true);
      }}
      onInteractOutside={(event) => typed && event.preventDefault()}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxWidth={wide ? "1040px" : undefined} onInput={() => setTyped(true)}>
            <Dialog.Header>
              <Dialog.Title>{title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>{children}</Dialog.Body>
            {asked ? (
              // a button of its own: one that turned into Save under the click would send the form
              <Dialog.Footer key="asked">
                <Box role="alert" flex="1" fontWeight={600}>
                  Discard what you typed?
                </Box>
                <Button color="brick" onClick={close}>
                  Discard
                </Button>
                <Button variant="main" autoFocus onClick={() => setAsked(false)}>
                  Keep editing
                </Button>
              </Dialog.Footer>
            ) : (
              footer && (
                <Dialog.Footer key="own">
                  <Box flex="1 0 100%" _empty={{ display: "none" }}>
                    {asking}
                  </Box>
                  {footer}
                </Dialog.Footer>
              )
            )}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
