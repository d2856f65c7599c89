import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

const AUTHORS: Record<string, string> = {
  petzval: "√2·√(λv), the smallest",
  airy: "Airy disc as wide as the hole",
  rayleigh: "1.9·√(λv), the usual one",
  rayleigh_exact: "√3.6·√(λv)",
  fresnel: "one Fresnel zone, the largest",
};

/** What the hole and its distance make of this format, as they are typed. */
export function PinholeFacts({
  optics,
  format,
}: {
  optics: Schemas["Pinhole"];
  format: [number, number];
}) {
  const asked = useDeferredValue({
    diameter_mm: optics.diameter_mm,
    distance_mm: optics.distance_mm,
    format_mm: format,
    wavelength_nm: 550,
  });
  const { data } = useQuery({
    ...question("compute_pinhole", { body: asked }),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (!data) return null;
  const row = (name: string, value: string, faint?: boolean) => (
    <Grid
      key={name}
      templateColumns="1fr auto"
      borderBottom="1px solid"
      borderColor="line"
      paddingBlock="1"
      color={faint ? "ink2" : "ink"}
      fontSize={faint ? "14px" : "15px"}
    >
      <span>{name}</span>
      <span>{value}</span>
    </Grid>
  );
  return (
    <Box aria-live="polite">
      {row("Its f-number", `f/${data.f_number.toFixed(0)}`)}
      {row("It sees, corner to corner", `${data.angle_deg.toFixed(0)}°`)}
      {row("The corners lose", `${data.corner_stops.toFixed(1)} stops`)}
      {row("The edges of the long side lose", `${data.edge_stops.toFixed(1)} stops`)}
      <Box fontSize="14px" color="ink2" paddingTop="2">
        Best diameters for this distance, by author, at 550 nm:
      </Box>
      {Object.entries(data.optimum_mm).map(([author, mm]) =>
        row(AUTHORS[author] ?? author, `${mm.toFixed(3)} mm`, true),
      )}
      {data.corner_stops > 1 && (
        <Box fontSize="14px" color="ochre" paddingTop="2">
          Keep what matters out of the corners, or give it that much more.
        </Box>
      )}
    </Box>
  );
}
