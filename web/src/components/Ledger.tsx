import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

export interface LedgerRow {
  key: string;
  label: string;
  amount: string;
  running: string;
  why: string;
  source: string;
  /** something to touch beneath it */
  more?: ReactNode;
}

/** A column of sums as one writes it in a notebook; touching a row tells why and by whose rule. */
export function Ledger({ rows }: { rows: LedgerRow[] }) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <Box as="ul">
      {rows.map((row) => (
        <Box as="li" key={row.key} borderBottom="1px solid" borderColor="line">
          <Box
            as="button"
            display="grid"
            gridTemplateColumns="minmax(0,1fr) 60px 92px"
            alignItems="baseline"
            width="100%"
            minHeight="38px"
            textAlign="left"
            background="transparent"
            border="none"
            padding="0"
            paddingBlock="1.5"
            cursor="pointer"
            aria-expanded={open === row.key}
            onClick={() => setOpen(open === row.key ? null : row.key)}
          >
            <span>{row.label}</span>
            <Box as="span" textAlign="right" color="ink2">
              {row.amount}
            </Box>
            <Box as="span" textAlign="right">
              {row.running}
            </Box>
            <Box as="span" gridColumn="1 / -1" fontSize="13px" color="ink2" lineHeight={1.25}>
              {row.why}
            </Box>
          </Box>
          {row.more}
          {open === row.key && (
            <Box fontSize="13px" color="ink2" paddingBottom="2">
              By: {row.source}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
