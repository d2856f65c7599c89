import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { wayQuery } from "../../api/queries";

/** What to look at before opening; it reminds and does not block. Edited in Kit, your way. */
export function Checklist({ reminded }: { reminded: string }) {
  const steps = useQuery(wayQuery).data?.reminders[reminded]?.before ?? [];
  const [done, setDone] = useState<Set<string>>(new Set());
  if (!steps.length) return null;
  const toggle = (step: string) => {
    const next = new Set(done);
    if (!next.delete(step)) next.add(step);
    setDone(next);
  };
  return (
    <Box as="ul" aria-label="Before opening">
      {steps.map((step) => (
        <Box as="li" key={step} borderBottom="1px solid" borderColor="line">
          <Flex as="label" align="center" gap="3" minHeight="44px" cursor="pointer">
            <input
              type="checkbox"
              checked={done.has(step)}
              onChange={() => toggle(step)}
              style={{ width: 22, height: 22, accentColor: "var(--chakra-colors-accent)" }}
            />
            {step}
          </Flex>
        </Box>
      ))}
    </Box>
  );
}
