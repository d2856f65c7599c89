import { useEffect } from "react";
import { useSearchParams } from "react-router";

/** Does what the address asks for once the room is ready, as ?do=expose, and takes it off again. */
export function useAsked(ready: boolean, asked: Record<string, (of: URLSearchParams) => void>) {
  const [params, setParams] = useSearchParams();
  const wanted = params.get("do");
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each asking
  useEffect(() => {
    if (!ready || !wanted) return;
    asked[wanted]?.(params);
    setParams({}, { replace: true });
  }, [ready, wanted]);
}
