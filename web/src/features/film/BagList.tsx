import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { checklistQuery } from "./queries";

/** What to mind in the changing bag; ticked for this session only. */
export function BagList() {
  const steps = useQuery(checklistQuery).data ?? [];
  return (
    <Box as="details" paddingTop="1">
      <Box as="summary" cursor="pointer" minHeight="32px" color="accent">
        In the changing bag
      </Box>
      <ol>
        {steps.map((step) => (
          <li key={step}>
            <Box as="label" display="flex" gap="2" minHeight="32px" alignItems="center">
              <input type="checkbox" /> {step}
            </Box>
          </li>
        ))}
      </ol>
    </Box>
  );
}
