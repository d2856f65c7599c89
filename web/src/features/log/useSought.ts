import { useCallback, useLayoutEffect, useRef } from "react";
import { useSearchParams } from "react-router";
import { FILTERS, type Sought } from "./queries";

const VIEW = "view";
const PICTURES = "pictures";

/** What is looked for lives in the address: a search can be kept, shared and gone back to. */
export function useSought() {
  const [params, setParams] = useSearchParams();
  // two changes can come before the address is drawn anew: each works on what the other left
  const latest = useRef(params);
  useLayoutEffect(() => {
    latest.current = params;
  }, [params]);
  const set = useCallback(
    (more: Record<string, string>) => {
      const next = new URLSearchParams(latest.current);
      for (const [name, value] of Object.entries(more)) {
        if (value) next.set(name, value);
        else next.delete(name);
      }
      latest.current = next;
      setParams(next, { replace: true });
    },
    [setParams],
  );
  const sought: Sought = {};
  for (const name of FILTERS) {
    const value = params.get(name);
    if (value) sought[name] = value;
  }
  return {
    sought,
    seek: set as (more: Sought) => void,
    clear: () => set(Object.fromEntries(FILTERS.map((name) => [name, ""]))),
    pictures: params.get(VIEW) === PICTURES,
    look: (pictures: boolean) => set({ [VIEW]: pictures ? PICTURES : "" }),
  };
}
