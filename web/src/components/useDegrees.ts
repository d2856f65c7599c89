import { useQuery } from "@tanstack/react-query";
import { preferencesQuery } from "../api/queries";
import { typedNumber } from "./typedNumber";

const tenth = (value: number) => String(Math.round(value * 10) / 10);

/** Temperatures the photographer's way: their unit, what a typed one is in °C, and back. */
export function useDegrees() {
  const unit = useQuery(preferencesQuery).data?.measures?.temperature ?? "C";
  return {
    unit: `°${unit}`,
    toC: (text: string) => {
      const typed = typedNumber(text);
      return unit === "F" && typeof typed === "number" ? (typed - 32) / 1.8 : typed;
    },
    text: (celsius: number) => tenth(unit === "F" ? celsius * 1.8 + 32 : celsius),
  };
}
