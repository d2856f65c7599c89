import { useSyncExternalStore } from "react";

/** How there is room for a scene: beside each other, one under the other, a phone held upright, or
    laid on its side (a desk at twice the size, too). */
export type Shape = "wide" | "tablet" | "upright" | "lying";

const LYING = window.matchMedia(
  "(max-height: 520px) and (min-width: 600px) and (max-width: 1099.9px)",
);
const WIDE = window.matchMedia("(min-width: 900px)");
const TABLET = window.matchMedia("(min-width: 700px) and (min-height: 700px)");
const ALL = [LYING, WIDE, TABLET];

const shape = (): Shape => {
  if (LYING.matches) return "lying";
  if (WIDE.matches) return "wide";
  return TABLET.matches ? "tablet" : "upright";
};

export function useShape() {
  return useSyncExternalStore((changed) => {
    for (const each of ALL) each.addEventListener("change", changed);
    return () => {
      for (const each of ALL) each.removeEventListener("change", changed);
    };
  }, shape);
}
