import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Small } from "../../components/text";
import { offered } from "../../shared/offered";
import { MeterCheck } from "./MeterCheck";
import { PaperCheck } from "./PaperCheck";
import { ShutterCheck } from "./ShutterCheck";

/** Shutters, meters and papers: what one trusts is checked here, and the kit goes by it. */
export function Checks() {
  const kit = useQuery(kitQuery).data;
  const [open, setOpen] = useState<"shutter" | "meters" | "paper" | null>(null);
  const lenses = offered(kit?.lenses);
  const meters = offered(kit?.meters);
  const papers = offered(kit?.papers);
  return (
    <Box as="section" aria-label="Shutters, meters, papers">
      <Box as="h2" fontSize="19px" borderBottom="2px solid" borderColor="ink" paddingBlock="2">
        Shutters, meters, papers
      </Box>
      <Flex gap="3" wrap="wrap" paddingTop="3">
        <Button disabled={lenses.length === 0} onClick={() => setOpen("shutter")}>
          Check a shutter
        </Button>
        <Button disabled={meters.length < 2} onClick={() => setOpen("meters")}>
          Compare two meters
        </Button>
        <Button disabled={papers.length === 0} onClick={() => setOpen("paper")}>
          Measure a paper
        </Button>
      </Flex>
      {kit && meters.length < 2 && (
        <Small paddingTop="2">Comparing needs two meters in the kit.</Small>
      )}
      {open === "shutter" && <ShutterCheck close={() => setOpen(null)} />}
      {open === "paper" && <PaperCheck close={() => setOpen(null)} />}
      {open === "meters" && <MeterCheck close={() => setOpen(null)} />}
    </Box>
  );
}
