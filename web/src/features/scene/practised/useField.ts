import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { mosaic, paintedQuery } from "./drawn";
import { fieldQuery } from "./queries";

/** How a practised scene looks at a minute, and its cells once they are there. */
export function useField(id: string, minutes: number) {
  const field = useQuery(fieldQuery(id, minutes)).data;
  const name = field?.picture ?? "";
  const painted = useQuery({ ...paintedQuery(name), enabled: Boolean(name) }).data;
  const cells = useMemo(
    () => (field ? (field.picture ? painted : mosaic(field)) : undefined),
    [field, painted],
  );
  return { field, cells };
}
