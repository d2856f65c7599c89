import { type RefObject, useEffect, useRef, useState } from "react";

const STAYS_MS = 250; // a touch elsewhere ends before the room under it moves

/** Whether the line's own keypad stands instead of the letters: on a phone, while it has the focus. */
export function useKeypad(narrow: boolean, field: RefObject<HTMLInputElement | null>) {
  const [shown, setShown] = useState(false);
  const [letters, setLetters] = useState(false);
  const leaving = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(leaving.current), []);
  const open = () => {
    clearTimeout(leaving.current);
    if (narrow && !letters) setShown(true);
  };
  const leave = () => {
    leaving.current = setTimeout(() => {
      setShown(false);
      setLetters(false);
    }, STAYS_MS);
  };
  return {
    shown: shown && narrow,
    open,
    leave,
    close: () => field.current?.blur(),
    /** the system's own letters: the field is left and taken again, so that they come up */
    letters: () => {
      setLetters(true);
      setShown(false);
      field.current?.blur();
      clearTimeout(leaving.current);
      setTimeout(() => field.current?.focus());
    },
  };
}
