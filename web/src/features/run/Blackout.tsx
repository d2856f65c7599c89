import { Box } from "@chakra-ui/react";
import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { blacken, type RunClock, runS, stepAt } from "../../clock/run";
import { cueSound } from "../../clock/sounds";
import { say } from "../../clock/speech";
import { watchText } from "../../clock/state";

const HOLD_MS = 2_000;

/** Pure black and sound only: a touch or a key tells where the run is, and does nothing unless held. */
export function Blackout({ runs, now }: { runs: RunClock[]; now: number }) {
  const held = useRef<ReturnType<typeof setTimeout> | null>(null);
  const [told, setTold] = useState("");
  const where = (run: RunClock) => {
    const at_s = runS(run, now);
    const step = run.steps[stepAt(run, at_s)];
    const text = `${step?.name ?? "Done"}, ${watchText((step?.end_s ?? 0) - at_s)} left`;
    return runs.length > 1 ? `${run.title}: ${text}` : text;
  };
  const leave = () => blacken(false);
  const tell = () => {
    cueSound.here();
    const text = runs.map(where).join(". ");
    setTold(text);
    say(text);
  };
  const press = () => {
    if (held.current !== null) return;
    tell();
    held.current = setTimeout(leave, HOLD_MS);
  };
  const release = () => {
    if (held.current !== null) clearTimeout(held.current);
    held.current = null;
  };
  const latest = useRef({ press, release });
  useLayoutEffect(() => {
    latest.current = { press, release };
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      event.preventDefault();
      latest.current.press();
    };
    const up = () => latest.current.release();
    window.addEventListener("keydown", down, true);
    window.addEventListener("keyup", up, true);
    document.documentElement.requestFullscreen?.().catch(() => undefined);
    return () => {
      window.removeEventListener("keydown", down, true);
      window.removeEventListener("keyup", up, true);
      up();
      if (document.fullscreenElement) void document.exitFullscreen().catch(() => undefined);
    };
  }, []);
  return (
    <Box
      position="fixed"
      inset="0"
      zIndex={70}
      background="#000000"
      cursor="none"
      role="dialog"
      aria-modal="true"
      aria-label="Blackout: touch to hear where the run is, hold two seconds to leave"
      data-state="open"
      data-blackout
      onPointerDown={press}
      onPointerUp={release}
      onPointerCancel={release}
      onPointerLeave={release}
      onContextMenu={(event) => event.preventDefault()}
      style={{ touchAction: "none" }}
    >
      <Box srOnly role="status">
        {told}
      </Box>
    </Box>
  );
}
