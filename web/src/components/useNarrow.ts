import { useSyncExternalStore } from "react";

/** Whether the window is of a shape. */
function useShape(window_: MediaQueryList) {
  return useSyncExternalStore(
    (changed) => {
      window_.addEventListener("change", changed);
      return () => window_.removeEventListener("change", changed);
    },
    () => window_.matches,
  );
}

const narrow = window.matchMedia("(max-width: 899.9px)");
const hand = window.matchMedia(
  "(max-width: 719.9px), (max-width: 899.9px) and (max-height: 599.9px)",
);

/** Whether the rooms stand beneath: on a phone, or a tablet held upright. */
export const useNarrow = () => useShape(narrow);

/** Whether there is room for lines of two only: on a phone, upright or on its side. */
export const usePhone = () => useShape(hand);
