import { useState } from "react";
import type { Place } from "./queries";

/* What lies over the scan of a strip: patches in a row, clear film, steps of a wedge. */

export interface Mark {
  key: string;
  label: string;
  at: Place;
  move: (to: Place) => void;
  kind: "patch" | "clear" | "wedge";
}
type Step = Place & { density: string };

export const held = (value: number) => Math.min(1, Math.max(0, value));

const between = (a: Place, b: Place, count: number): Place[] =>
  Array.from({ length: count }, (_, place) => {
    const share = count > 1 ? place / (count - 1) : 0;
    return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
  });

/** The marks of a strip of so many patches, and what can be done with them. */
export function useMarks(count: number) {
  const [patches, setPatches] = useState<Place[]>(() =>
    between({ x: 0.06, y: 0.28 }, { x: 0.94, y: 0.28 }, count),
  );
  const [clear, setClear] = useState<Place>({ x: 0.5, y: 0.06 });
  const [wedge, setWedge] = useState<Step[]>([]);
  const movePatch = (place: number) => (to: Place) =>
    setPatches((before) => {
      // the two ends carry the row with them; any other is moved alone
      const last = before.length - 1;
      if (place === 0) return between(to, before[last] ?? to, before.length);
      if (place === last) return between(before[0] ?? to, to, before.length);
      return before.map((each, index) => (index === place ? to : each));
    });
  const changeStep = (place: number, to: Partial<Step>) =>
    setWedge((before) => before.map((one, index) => (index === place ? { ...one, ...to } : one)));
  const marks: Mark[] = [
    ...patches.map((at, place) => ({
      key: `p${place}`,
      label: `Patch ${place + 1}`,
      at,
      move: movePatch(place),
      kind: "patch" as const,
    })),
    { key: "clear", label: "Clear film", at: clear, move: setClear, kind: "clear" },
    ...wedge.map((each, place) => ({
      key: `w${place}`,
      label: `Wedge step ${place + 1}`,
      at: each,
      move: (to: Place) => changeStep(place, to),
      kind: "wedge" as const,
    })),
  ];
  return {
    patches,
    clear,
    wedge,
    marks,
    /** the row anew, with another number of patches between its ends */
    lay: (number: number) =>
      setPatches((before) =>
        between(before[0] ?? { x: 0.1, y: 0.3 }, before.at(-1) ?? { x: 0.9, y: 0.3 }, number),
      ),
    addStep: () =>
      setWedge((before) => [
        ...before,
        { x: held(0.1 + 0.16 * before.length), y: 0.75, density: "" },
      ]),
    dropStep: () => setWedge((before) => before.slice(0, -1)),
    setDensity: (place: number, density: string) => changeStep(place, { density }),
  };
}
