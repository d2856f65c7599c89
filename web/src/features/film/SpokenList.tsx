import { Box } from "@chakra-ui/react";
import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { cueSound } from "../../clock/sounds";
import { say } from "../../clock/speech";
import { useSound } from "../../clock/useSound";
import { Alone } from "../../components/Alone";

const HOLD_MS = 2_000;
const BACK = new Set(["Backspace", "ArrowLeft", "ArrowUp"]);

/** Black and a voice: every touch or key says the next step; backspace the one before; Escape, or a
    touch held for two seconds, leaves. */
export function SpokenList({ steps, leave }: { steps: readonly string[]; leave: () => void }) {
  useSound(true);
  const [at, setAt] = useState(0);
  const held = useRef<ReturnType<typeof setTimeout> | null>(null);
  const text = steps[at] ?? "That was the last step.";
  useEffect(() => {
    cueSound.here();
    say(text);
  }, [text]);
  const go = (by: number) => setAt(Math.max(0, Math.min(steps.length, at + by)));
  const latest = useRef({ go, leave });
  useLayoutEffect(() => {
    latest.current = { go, leave };
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopPropagation();
      if (event.repeat) return;
      if (event.key === "Escape") latest.current.leave();
      else latest.current.go(BACK.has(event.key) ? -1 : 1);
    };
    window.addEventListener("keydown", pressed, true);
    document.documentElement.requestFullscreen?.().catch(() => undefined);
    return () => {
      window.removeEventListener("keydown", pressed, true);
      if (document.fullscreenElement) void document.exitFullscreen().catch(() => undefined);
    };
  }, []);
  const release = () => {
    if (held.current !== null) clearTimeout(held.current);
    held.current = null;
  };
  return (
    <Alone>
      <Box
        position="fixed"
        inset="0"
        zIndex={2000}
        background="#000000"
        cursor="none"
        role="dialog"
        aria-modal="true"
        aria-label="Steps in the dark: a touch or a key says the next, Escape or a long touch leaves"
        data-state="open"
        data-spoken
        onPointerDown={() => {
          go(1);
          held.current = setTimeout(leave, HOLD_MS);
        }}
        onPointerUp={release}
        onPointerCancel={release}
        onContextMenu={(event) => event.preventDefault()}
        style={{ touchAction: "none" }}
      >
        <Box srOnly role="status">
          {text}
        </Box>
      </Box>
    </Alone>
  );
}
