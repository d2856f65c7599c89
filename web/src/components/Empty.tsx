import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A screen with nothing on it yet: what it is for, and the next step. */
export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box maxWidth="560px" paddingBlock="2">
      <Box fontSize="19px" fontWeight={600}>
        {title}
      </Box>
      {children}
    </Box>
  );
}
