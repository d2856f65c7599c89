import { Box, Flex } from "@chakra-ui/react";
import { CircleHelp } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Link, useLocation } from "wouter";
import { Button } from "../components/Button";
import { Sheet } from "../components/Sheet";
import { MORE, ROOMS } from "./rooms";

/** The bar of rooms: at the side, or under the thumb. */
export function Rail({ help }: { help: () => void }) {
  const [more, setMore] = useState(false);
  const [path] = useLocation();
  const within = (room: { path: string }) => `${path}/`.startsWith(`${room.path}/`);
  const beyond = MORE.some(within);
  return (
    <Flex
      as="nav"
      aria-label="Rooms"
      order={{ base: 1, md: 0 }}
      direction={{ base: "row", md: "column" }}
      background="sheet"
      borderColor="line"
      borderStyle="solid"
      borderWidth="0"
      borderRightWidth={{ md: "1px" }}
      borderTopWidth={{ base: "1px", md: "0" }}
      paddingTop={{ md: "3" }}
      paddingBottom={{ base: "env(safe-area-inset-bottom)", md: "0" }}
    >
      <Box
        display={{ base: "none", md: "block" }}
        textAlign="center"
        fontWeight={750}
        letterSpacing="0.04em"
        fontSize="14px"
        paddingBottom="5"
        paddingTop="2"
      >
        emulsa
      </Box>
      {ROOMS.map((room) => (
        <Box
          key={room.path}
          asChild
          flex="1 1 0"
          maxHeight="56px"
          textDecoration="none"
          display={{ base: MORE.includes(room) ? "none" : "block", md: "block" }}
        >
          <Link to={room.path} aria-current={within(room) ? "page" : undefined}>
            <Place active={within(room)}>
              {room.name}
              <Box as="span" aria-hidden fontSize="12px" display={{ base: "none", md: "block" }}>
                {room.key}
              </Box>
            </Place>
          </Link>
        </Box>
      ))}
      <Box
        as="button"
        flex="1 1 0"
        display={{ base: "block", md: "none" }}
        background="transparent"
        aria-haspopup="dialog"
        onClick={() => setMore(true)}
      >
        <Place active={beyond}>More</Place>
      </Box>
      <Button
        variant="quiet"
        display={{ base: "none", md: "inline-flex" }}
        marginTop="auto"
        marginBottom="3"
        aria-label="Help and keys"
        onClick={help}
      >
        <CircleHelp size={20} aria-hidden />
      </Button>
      <Sheet open={more} close={() => setMore(false)} title="More">
        <ul>
          {MORE.map((room) => (
            <MoreLink key={room.path} to={room.path} close={() => setMore(false)}>
              {room.name}
            </MoreLink>
          ))}
          <MoreLink to="/kit?do=preferences" close={() => setMore(false)}>
            Preferences
          </MoreLink>
          <li>
            <Button
              variant="choice"
              paddingInline="0"
              onClick={() => {
                setMore(false);
                help();
              }}
            >
              Help and keys
            </Button>
          </li>
        </ul>
      </Sheet>
    </Flex>
  );
}

function MoreLink({ to, close, children }: { to: string; close: () => void; children: ReactNode }) {
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line">
      <Box asChild display="flex" alignItems="center" minHeight="52px" fontSize="17px">
        <Link to={to} onClick={close}>
          {children}
        </Link>
      </Box>
    </Box>
  );
}

/** A place in the bar of rooms. */
function Place({ active, children }: { active: boolean; children: ReactNode }) {
  return (
    <Flex
      direction="column"
      align="center"
      justify="center"
      height="56px"
      fontSize={{ base: "14px", md: "13px" }}
      color={active ? "accent" : "ink2"}
      fontWeight={active ? 650 : 400}
      background={active ? "accentSoft" : "transparent"}
      boxShadow={{
        base: active ? "inset 0 3px 0 var(--chakra-colors-accent)" : "none",
        md: active ? "inset 3px 0 0 var(--chakra-colors-accent)" : "none",
      }}
    >
      {children}
    </Flex>
  );
}
