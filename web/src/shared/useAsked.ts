import { useEffect } from "react";
import { useLocation } from "wouter";
import { useQueried } from "./useAddress";

/** Does what the address asks for once the room is ready, as ?do=expose, and takes it off again. */
export function useAsked(ready: boolean, asked: Record<string, (of: URLSearchParams) => void>) {
  const [path, navigate] = useLocation();
  const of = useQueried();
  const wanted = of.get("do");
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each asking
  useEffect(() => {
    if (!ready || !wanted) return;
    asked[wanted]?.(of);
    navigate(path, { replace: true });
  }, [ready, wanted]);
}
