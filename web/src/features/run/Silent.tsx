import { useEffect, useState } from "react";
import { Notice } from "../../components/Notice";

const BEGINNING_MS = 600;

/** Said when a clock goes unheard; not in the moment in which sound begins. */
export function Silent() {
  const [long, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(true), BEGINNING_MS);
    return () => clearTimeout(timer);
  }, []);
  if (!long) return null;
  return (
    <Notice tone="caution" live>
      No sound yet: the browser lets it begin when you touch the screen or press a key.
    </Notice>
  );
}
