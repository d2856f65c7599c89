import type { Heard } from "../../../shared/told";
import type { Fall } from "../queries";

/** A reading on the bridge. */
export interface BridgePin extends Fall {
  label: string;
}

/** What the bridge shows and what it reports back. */
export interface BridgeProps {
  pins: BridgePin[];
  pinned: string | null;
  /** whether somebody marked it, or it is only the brightest */
  highMarked: boolean;
  high: string | null;
  /** the tones in which texture is held, once they are known */
  range: [number, number] | undefined;
  rangeText: string;
  nText: string;
  /** why there is no N to pull at */
  noN: string;
  /** what of the scene's picture falls where */
  seen?: Heard<{ fringe: { zone: number; share: number }[] } | null> | undefined;
  /** there is something over it: it is as low as it can be */
  low?: boolean;
  upright: boolean;
  onPlace: (id: string, zone: number, done: boolean) => Promise<void>;
  onTarget: (zone: number, done: boolean) => void;
  onOpen: (id: string) => void;
}
