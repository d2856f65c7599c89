import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Link } from "wouter";
import { Notice } from "../components/Notice";
import { RoomHeader } from "./RoomHeader";

/** The page of one record: what it shows once it is read, or why it cannot be, and the way back. */
export function Opened<Data>({
  query,
  title,
  back: [path, words],
  children,
}: {
  query: { data?: Data; error: Error | null };
  title: string;
  back: [path: string, words: string];
  children: (data: Data) => ReactNode;
}) {
  if (query.error) {
    return (
      <>
        <RoomHeader title={title} />
        <Box as="main" padding="6">
          <Notice tone="refusal">{query.error.message}</Notice>
          <Box paddingTop="4">
            <Link to={path}>{words}</Link>
          </Box>
        </Box>
      </>
    );
  }
  return query.data === undefined ? <RoomHeader title={title} /> : children(query.data);
}
