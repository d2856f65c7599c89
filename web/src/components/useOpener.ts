import { useLayoutEffect } from "react";

/** Where the focus goes when what opened a dialog is gone with it: the room. */
const ROOM = "main";
const DIALOG = '[role="dialog"]';

// A dialog takes the focus as it is drawn: what had it before is noted as it goes.
let outside: HTMLElement | null = null;
document.addEventListener("focusin", ({ target }) => {
  if (target instanceof HTMLElement && !target.closest(DIALOG)) outside = target;
});

/** Afterwards the focus is where it was when a dialog opened, however it was closed. */
export function useOpener(open: boolean) {
  useLayoutEffect(() => {
    if (!open) return;
    const opener = outside;
    return () => {
      // what closes a dialog may move the focus itself, or open another; only a lost one is put back
      setTimeout(() => {
        const now = document.activeElement;
        if (now && now !== document.body && now.isConnected) return;
        if (document.querySelector(`${DIALOG}[data-state="open"]`)) return;
        if (opener?.isConnected) {
          opener.focus();
          return;
        }
        const room = document.querySelector<HTMLElement>(ROOM);
        room?.setAttribute("tabindex", "-1");
        room?.focus({ preventScroll: true });
      });
    };
  }, [open]);
}
