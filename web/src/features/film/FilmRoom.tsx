import { Box, Flex } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { Link, useLocation } from "wouter";
import { Button } from "../../components/Button";
import { RoomHeader } from "../../shared/RoomHeader";
import { LoadingSheet } from "./LoadingSheet";

const PARTS = [
  { name: "Holders", path: "/film" },
  { name: "Rolls", path: "/film/rolls" },
  { name: "Stock", path: "/film/stock" },
];

/** The frame of the Film room: holders, rolls and stock are its three parts. */
export function FilmRoom({
  sub,
  actions,
  first = "holders",
  children,
}: {
  /** the list for loading that is shown first */
  first?: string;
  sub?: ReactNode;
  actions?: ReactNode;
  children: ReactNode;
}) {
  const [path] = useLocation();
  const [listed, setListed] = useState(false);
  return (
    <>
      <RoomHeader title="Film" sub={sub}>
        {actions}
      </RoomHeader>
      <Flex
        as="nav"
        aria-label="Parts of Film"
        gap="6"
        paddingInline={{ base: "4", md: "6" }}
        borderBottom="1px solid"
        borderColor="line"
        background="sheet"
      >
        {PARTS.map((part) => (
          <Link
            key={part.path}
            to={part.path}
            aria-current={part.path === path ? "page" : undefined}
            style={{ textDecoration: "none" }}
          >
            <Flex
              align="center"
              minHeight="44px"
              color={part.path === path ? "accent" : "ink2"}
              fontWeight={part.path === path ? 650 : 400}
              boxShadow={part.path === path ? "inset 0 -3px 0 var(--chakra-colors-accent)" : "none"}
            >
              {part.name}
            </Flex>
          </Link>
        ))}
        <Box flex="1" />
        <Button variant="word" minHeight="44px" onClick={() => setListed(true)}>
          Loading lists
        </Button>
      </Flex>
      {listed && <LoadingSheet first={first} close={() => setListed(false)} />}
      <Box
        as="main"
        flex="1"
        minHeight="0"
        overflow="auto"
        padding={{ base: "4", md: "6" }}
        paddingBottom="0"
      >
        {children}
      </Box>
    </>
  );
}
