import { useCallback } from "react";
import { useSearchParams } from "react-router";
import { FILTERS, type Sought } from "./queries";

/** What is looked for lives in the address: a search can be kept, shared and gone back to. */
export function useSought() {
  const [params, setParams] = useSearchParams();
  const sought: Sought = {};
  for (const name of FILTERS) {
    const value = params.get(name);
    if (value) sought[name] = value;
  }
  const seek = useCallback(
    (more: Sought) =>
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          for (const [name, value] of Object.entries(more)) {
            if (value) next.set(name, value);
            else next.delete(name);
          }
          return next;
        },
        { replace: true },
      ),
    [setParams],
  );
  const pictures = params.get("view") === "pictures";
  const look = (wanted: boolean) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        if (wanted) next.set("view", "pictures");
        else next.delete("view");
        return next;
      },
      { replace: true },
    );
  const clear = () => setParams(pictures ? { view: "pictures" } : {}, { replace: true });
  return { sought, seek, clear, pictures, look };
}
