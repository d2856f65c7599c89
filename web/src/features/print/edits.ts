import { BEGUN } from "../../service/service";
import type { Area, Print } from "./queries";

/* What is changed about a print by touch: each a print made of the one before. */

export type Edit = (before: Print) => Print;

/** A burn of its own, in no part: so many seconds. */
const OWN = { act: "burn", part: "none", stops: null, seconds: 5 } as const;

export const onItsOwn = (area: Area) => area.act === OWN.act && area.part === OWN.part;

export const withAreas =
  (to: (before: Area[]) => Area[]): Edit =>
  (before) => ({ ...before, plan: { ...before.plan, areas: to(before.plan.areas) } });

/** An area as it is changed. */
export const withArea = (id: string, to: (before: Area) => Area): Edit =>
  withAreas((all) => all.map((each) => (each.id === id ? to(each) : each)));

/** The same shape once more, by light of its own through another filter. */
export const onceMore = (id: string, as: string): Edit =>
  withAreas((all) =>
    all.flatMap((each) =>
      each.id === id ? [each, { ...each, id: as, ...OWN, own: { ...BEGUN.own_light } }] : [each],
    ),
  );

/** Without an area, and without what was held back in it. */
export const removed = (id: string): Edit =>
  withAreas((all) => all.filter((each) => each.id !== id && each.part !== id));

/** An area where another stands; the others close up. */
export const placed = (id: string, at: string): Edit =>
  withAreas((all) => {
    const one = all.find((each) => each.id === id);
    const [from, to] = [id, at].map((each) => all.findIndex((area) => area.id === each));
    if (!one || from === undefined || to === undefined) return all;
    const rest = all.filter((each) => each.id !== id);
    return [...rest.slice(0, to), one, ...rest.slice(to)];
  });

/** An area one place earlier or later. */
export const moved = (id: string, by: -1 | 1): Edit =>
  withAreas((all) => {
    const from = all.findIndex((each) => each.id === id);
    const to = from + by;
    const [one, two] = [all[from], all[to]];
    if (!one || !two) return all;
    return all.map((each, place) => (place === from ? two : place === to ? one : each));
  });

/** A part of so many seconds. */
export const timed =
  (part: string, seconds: number): Edit =>
  (before) => ({
    ...before,
    plan: {
      ...before.plan,
      parts: before.plan.parts.map((each) => (each.id === part ? { ...each, seconds } : each)),
    },
  });

/** The paper the other way round. */
export const turned: Edit = (before) => {
  const { sheet } = before.plan;
  return { ...before, plan: { ...before.plan, sheet: { ...sheet, turned: !sheet.turned } } };
};
