import { useEffect } from "react";

/** Tells whether a key is held down, anywhere but in a field. */
export function useHeldKey(key: string, tell: (held: boolean) => void) {
  useEffect(() => {
    const turn = (held: boolean) => (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest("input, textarea");
      if (event.key.toLowerCase() === key && !typing && !event.ctrlKey && !event.metaKey)
        tell(held);
    };
    const [down, up] = [turn(true), turn(false)];
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
    };
  }, [key, tell]);
}
