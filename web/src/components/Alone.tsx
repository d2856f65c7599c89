import { Portal } from "@chakra-ui/react";
import { type ReactNode, useLayoutEffect } from "react";

let count = 0;

/** What is laid over everything: while it is there the page behind takes neither focus nor touch, and
    afterwards the focus is where it was. */
export function Alone({ children }: { children: ReactNode }) {
  useLayoutEffect(() => {
    const page = document.getElementById("root");
    const before = document.activeElement;
    count += 1;
    page?.setAttribute("inert", "");
    return () => {
      count -= 1;
      if (count > 0) return;
      page?.removeAttribute("inert");
      if (before instanceof HTMLElement && before.isConnected) before.focus();
    };
  }, []);
  return <Portal>{children}</Portal>;
}
