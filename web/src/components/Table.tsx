import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A line of a table: what stands under each head, and a remark behind it. */
interface Line {
  id: string | number;
  cells: ReactNode[];
  says?: ReactNode;
  strong?: boolean;
}

/** Lines under their heads; the head of the remarks is heard and not seen. */
export function Table({
  heads,
  remark = "remark",
  lines,
}: {
  heads: string[];
  remark?: string;
  lines: Line[];
}) {
  return (
    <Box
      as="table"
      width="100%"
      css={{
        "& td, & th": { padding: "6px 8px 6px 0", textAlign: "left" },
        "& th": { color: "ink2", fontSize: "13px", fontWeight: 400 },
        "& b": { whiteSpace: "nowrap" },
      }}
    >
      <thead>
        <tr>
          {heads.map((head) => (
            <th key={head} scope="col">
              {head}
            </th>
          ))}
          <th scope="col">
            <Box as="span" srOnly>
              {remark}
            </Box>
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <Box
            as="tr"
            key={line.id}
            borderTop="1px solid"
            borderColor="line"
            fontWeight={line.strong ? 650 : 400}
          >
            {line.cells.map((cell, place) => (
              <td key={heads[place]}>{cell}</td>
            ))}
            <Box as="td" color="ochre" fontSize="13px" fontWeight={400}>
              {line.says}
            </Box>
          </Box>
        ))}
      </tbody>
    </Box>
  );
}
