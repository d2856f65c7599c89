import { Dialog, Portal } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A dialog that rises from below on a phone and stands in the middle on a wide screen. */
export function Sheet({
  open,
  close,
  title,
  children,
  footer,
}: {
  open: boolean;
  close: () => void;
  title: ReactNode;
  children: ReactNode;
  footer?: ReactNode;
}) {
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(change) => !change.open && close()}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>{title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>{children}</Dialog.Body>
            {footer && <Dialog.Footer>{footer}</Dialog.Footer>}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
