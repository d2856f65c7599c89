import { Box } from "@chakra-ui/react";
import type { Refusal } from "../api/client";

/** A refusal that belongs to none of the fields on the page. */
export function Problem({ of, fields = [] }: { of: Refusal | null; fields?: string[] }) {
  if (!of || of.code === "conflict" || fields.includes(of.field ?? "")) return null;
  return (
    <Box role="alert" color="brick" fontWeight={550}>
      {of.message}
    </Box>
  );
}
