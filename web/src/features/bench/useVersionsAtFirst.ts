import { useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { kitQuery } from "../../api/queries";

/** The versions the kit's records had when a sheet was opened: what is measured with it there is
    measured of those, whatever another hand does meanwhile. */
export function useVersionsAtFirst(): (id: string | undefined) => string {
  const kit = useQuery(kitQuery).data;
  const first = useRef<Record<string, string> | null>(null);
  if (kit && !first.current) first.current = kit.versions;
  return (id) => first.current?.[id ?? ""] ?? "";
}
