import { useQuery } from "@tanstack/react-query";
import { wayQuery } from "../api/queries";

/** Temperatures as they are typed, the unit beside them; what they are in °C is the core's. */
export function useDegrees() {
  const way = useQuery(wayQuery).data;
  const unit = `°${way?.preferences.measures?.temperature ?? "C"}`;
  return {
    unit,
    /** the usual bath */
    usual: way?.usual_degrees ?? "",
    /** what was typed, with its unit; the wire's type is a number, and takes the words for one */
    said: (typed: string) => `${typed.trim()} ${unit}` as unknown as number,
  };
}
