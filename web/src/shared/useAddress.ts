import { useCallback, useMemo } from "react";
import { useLocation, useRouter } from "wouter";

/** What the address asks for after its question mark. */
export function useQueried(): URLSearchParams {
  const router = useRouter();
  const queried = router.searchHook(router);
  return useMemo(() => new URLSearchParams(queried), [queried]);
}

/** What a room keeps in its address, so that it can be reloaded, shared and gone back to; an empty
    text takes a word out again. */
export function useAddress(): [URLSearchParams, (more: Record<string, string>) => void] {
  const [path, navigate] = useLocation();
  const set = useCallback(
    (more: Record<string, string>) => {
      // The address itself, not what was drawn of it: several changes can come before it is drawn,
      // and what is drawn meanwhile may be only the first of them.
      const next = new URLSearchParams(window.location.search);
      for (const [name, value] of Object.entries(more)) {
        if (value) next.set(name, value);
        else next.delete(name);
      }
      navigate(next.size ? `${path}?${next}` : path, { replace: true });
    },
    [path, navigate],
  );
  return [useQueried(), set];
}
