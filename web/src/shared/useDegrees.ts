import { useQuery } from "@tanstack/react-query";
import { wayQuery } from "../api/queries";
import { typedIn } from "../components/typedNumber";

/** Temperatures as they are typed, the unit beside them; what they are in °C is the core's. */
export function useDegrees() {
  const way = useQuery(wayQuery).data;
  const unit = `°${way?.preferences.measures?.temperature ?? "C"}`;
  return {
    unit,
    /** the usual bath */
    usual: way?.usual_degrees ?? "",
    /** what was typed, with its unit */
    said: (typed: string) => typedIn(typed, unit),
  };
}
