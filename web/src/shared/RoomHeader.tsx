import { Box, Flex } from "@chakra-ui/react";
import { ChevronLeft, Moon, Sun, Undo2 } from "lucide-react";
import { type ReactNode, useEffect } from "react";
import { Link, useLocation } from "wouter";
import { Button } from "../components/Button";
import { setLight, useLight } from "../theme/light";
import { useJournal } from "./journal";

const SHORT = 9; // letters of a title that is never cut

/** The room's title, what is special to it, undo, and the light. */
export function RoomHeader({
  title,
  called,
  sub,
  children,
}: {
  title: ReactNode;
  /** the title in words, where it is more than words */
  called?: string;
  sub?: ReactNode;
  children?: ReactNode;
}) {
  const light = useLight();
  const { room, back } = useTitled(called ?? (typeof title === "string" ? title : ""));
  const { reach, undo, busy } = useJournal();
  const last = reach?.undo;
  const Icon = light === "day" ? Moon : Sun;
  return (
    <Flex
      as="header"
      align="center"
      gap={{ base: "2", md: "4" }}
      paddingInline={{ base: "4", md: "6" }}
      minHeight={{ base: "48px", md: "56px" }}
      borderBottom="1px solid"
      borderColor="line"
      background="sheet"
    >
      {back && (
        <Box asChild display={{ base: "inline-flex", md: "none" }} alignItems="center">
          <Link to={back} aria-label={`Back to ${room}`} style={{ minWidth: 32, minHeight: 44 }}>
            <ChevronLeft size={24} aria-hidden />
          </Link>
        </Box>
      )}
      <Box
        as="h1"
        fontSize={{ base: "17px", md: "19px" }}
        fontWeight={650}
        minWidth={typeof title === "string" && title.length < SHORT ? "max-content" : "0"}
        overflow="hidden"
        textOverflow="ellipsis"
        whiteSpace="nowrap"
      >
        {title}
      </Box>
      {sub && (
        <Box
          color="ink2"
          display={{ base: "none", md: "block" }}
          whiteSpace="nowrap"
          overflow="hidden"
          textOverflow="ellipsis"
        >
          {sub}
        </Box>
      )}
      <Box flex="1" />
      {children}
      <Button
        variant="quiet"
        paddingInline="2"
        disabled={!last || busy}
        title={last ? `Undo: ${last.label} (u)` : "Nothing to undo"}
        aria-label={last ? `Undo: ${last.label}` : "Nothing to undo"}
        onClick={undo}
      >
        <Undo2 size={20} aria-hidden />
        <Box as="span" display={{ base: "none", md: "inline" }}>
          Undo
        </Box>
      </Button>
      <Button
        variant="quiet"
        paddingInline="2"
        aria-label={light === "day" ? "Change to dusk light" : "Change to day light"}
        title={light === "day" ? "Day light; change to dusk" : "Dusk light; change to day"}
        onClick={() => setLight(light === "day" ? "dusk" : "day")}
      >
        <Icon size={20} aria-hidden />
      </Button>
    </Flex>
  );
}

/** Rooms whose parts stand beside each other: there is nothing to go back to. */
const FLAT = ["scene", "film"];

/** The window's title, and where a page within a room leads back to. */
function useTitled(title: string) {
  const [first = "", ...further] = useLocation()[0].split("/").filter(Boolean);
  const room = first.charAt(0).toUpperCase() + first.slice(1);
  useEffect(() => {
    const words = [title, room, "Emulsa"].filter(Boolean);
    document.title = words.filter((word, place) => words.indexOf(word) === place).join(" · ");
  }, [title, room]);
  return { room, back: further.length > 0 && !FLAT.includes(first) ? `/${first}` : null };
}
