import { useSyncExternalStore } from "react";

const narrow = window.matchMedia("(max-width: 899.9px)");

/** Whether the page is held upright on something narrow: a phone. */
export function useNarrow() {
  return useSyncExternalStore(
    (changed) => {
      narrow.addEventListener("change", changed);
      return () => narrow.removeEventListener("change", changed);
    },
    () => narrow.matches,
  );
}
