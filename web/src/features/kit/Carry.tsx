import { Box, Flex } from "@chakra-ui/react";
import { lazy, Suspense, useState } from "react";
import { Button } from "../../components/Button";
import { Small } from "../../components/text";
import { useCarrying } from "../../field/mode";

const CarrySheet = lazy(async () => ({ default: (await import("../../shared/carry")).CarrySheet }));

/** The way to a carried copy; nothing in one. */
export function Carry() {
  const carrying = useCarrying();
  const [open, setOpen] = useState(false);
  if (carrying && !open) return null;
  return (
    <Flex justify="space-between" align="center" gap="4" paddingBlock="2">
      <Box>
        <Box fontWeight={550}>Carry along</Box>
        <Small>a copy on this device, for where there is no network</Small>
      </Box>
      <Button variant="quiet" onClick={() => setOpen(true)}>
        Carry along
      </Button>
      {open && (
        <Suspense>
          <CarrySheet close={() => setOpen(false)} />
        </Suspense>
      )}
    </Flex>
  );
}
