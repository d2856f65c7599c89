import { useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { held, type Look, nearer, WHOLE } from "./look";

/** Where one looks, told at once to whoever draws, outside React: a picture follows the hand. */
export class Looking {
  now = WHOLE;
  most = 1; // of a picture's width, in sight when all of it is
  private readonly told = new Set<() => void>();

  readonly listen = (draw: () => void) => {
    this.told.add(draw);
    return () => void this.told.delete(draw);
  };

  readonly look = () => this.now;

  to(look: Look) {
    this.now = held(look, this.most);
    for (const draw of this.told) draw();
  }

  whole() {
    this.to({ ...WHOLE, width: this.most });
  }

  /** The whole picture is so wide in sight; what was whole stays whole. */
  fit(most: number) {
    const was = this.now.width >= this.most;
    this.most = most;
    if (was) this.whole();
  }

  move(x: number, y: number) {
    const { width } = this.now;
    this.to({ ...this.now, x: this.now.x + x * width, y: this.now.y + y * width });
  }

  nearer(times: number, at = {}) {
    this.to(nearer(this.now, times, at, this.most));
  }
}

export const useLooking = () => useMemo(() => new Looking(), []);

/** How near one looks, for words and buttons: told when it rests, not while it moves. */
export function useRestingLook(looking: Looking): Look {
  const now = useSyncExternalStore(looking.listen, looking.look);
  const [resting, setResting] = useState(now);
  useEffect(() => {
    const timer = setTimeout(() => setResting(now), 120);
    return () => clearTimeout(timer);
  }, [now]);
  return resting;
}
