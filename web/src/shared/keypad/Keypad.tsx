import { Box, Flex, Grid } from "@chakra-ui/react";
import type { ReactNode, RefObject } from "react";
import { Button } from "../../components/Button";
import { ZONES } from "../zones";

const KEYS = "7 8 9 ⅓ / − 4 5 6 ½ @ + 1 2 3 ⅔ f/".split(" ");
const DOES = { variant: "main", background: "accent" };
const SPOKEN: Record<string, string> = {
  "⅓": "one third",
  "½": "one half",
  "⅔": "two thirds",
  "/": "slash",
  "−": "minus",
  "@": "at",
  "+": "plus",
  "f/": "f-number",
  ".": "point",
};

/**
 * The keypad on a phone: numbers, fractions, zones and words that may be meant, so that nothing needs
 * letters. It types into the field and leaves the focus there.
 */
export function Keypad({
  field,
  words,
  change,
  keep,
  letters,
  close,
  expose,
}: {
  field: RefObject<HTMLInputElement | null>;
  words: string[];
  change: (text: string) => void;
  keep: () => void;
  letters: () => void;
  close: () => void;
  /** when nothing is typed and there is an answer, Enter goes on with it */
  expose?: (() => void) | null;
}) {
  /** at the caret; a word stands apart from what is there, and moves on to the next */
  const put = (what: string, word: boolean) => {
    const input = field.current;
    if (!input) return;
    const from = input.selectionStart ?? input.value.length;
    const until = input.selectionEnd ?? from;
    const before = input.value.slice(0, from);
    const said = word ? `${before && !before.endsWith(" ") ? " " : ""}${what} ` : what;
    change(before + said + input.value.slice(until));
    const caret = from + said.length;
    requestAnimationFrame(() => input.setSelectionRange(caret, caret));
  };
  const back = () => {
    const input = field.current;
    if (!input) return;
    const until = input.selectionEnd ?? input.value.length;
    const from = input.selectionStart === until ? Math.max(0, until - 1) : input.selectionStart;
    change(input.value.slice(0, from ?? 0) + input.value.slice(until));
    requestAnimationFrame(() => input.setSelectionRange(from, from));
  };
  const key = (text: string, does: () => void, name?: string, look?: object) => (
    <Button
      key={text}
      aria-label={name ?? SPOKEN[text]}
      variant="quiet"
      minHeight="44px"
      paddingInline="0"
      fontSize="20px"
      background="paper"
      borderRadius="4px"
      onClick={does}
      {...look}
    >
      {text}
    </Button>
  );
  return (
    <Box
      role="group"
      aria-label="Keypad"
      background="sheet"
      borderTop="1px solid"
      borderColor="line"
      padding="1.5"
      // the field keeps the focus, whatever is touched here
      onPointerDown={(event) => event.preventDefault()}
      onMouseDown={(event) => event.preventDefault()}
    >
      <Wheel label="Names">
        {words.map((label) => (
          <Button
            key={label}
            variant="quiet"
            paddingInline="3"
            flex="0 0 auto"
            onClick={() => put(label, true)}
          >
            {label}
          </Button>
        ))}
      </Wheel>
      {/* all eleven in sight */}
      <Grid role="group" aria-label="Zones" templateColumns="repeat(11, minmax(0, 1fr))">
        {ZONES.map((zone) => (
          <Button
            key={zone}
            aria-label={`zone ${zone}`}
            variant="quiet"
            minWidth="0"
            paddingInline="0"
            borderWidth="0"
            fontSize="15px"
            fontWeight={650}
            onClick={() => put(zone === "0" ? "z0" : zone, true)}
          >
            {zone}
          </Button>
        ))}
      </Grid>
      <Grid templateColumns="repeat(6, minmax(0, 1fr))" gap="1">
        {KEYS.map((each) => key(each, () => put(each, false)))}
        {key("␣", () => put(" ", false), "space")}
        {key(".", () => put(".", false))}
        {key("0", () => put("0", false))}
        {key("⌫", back, "delete back")}
        {key("abc", letters, "letters", { fontSize: "15px" })}
        {key("⌄", close, "hide keypad")}
        {expose
          ? key("Expose", expose, "Expose now", { ...DOES, fontSize: "15px" })
          : key("↵", keep, "Enter", DOES)}
      </Grid>
    </Box>
  );
}

function Wheel({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Flex
      role="group"
      aria-label={label}
      overflowX="auto"
      scrollSnapType="x proximity"
      css={{ scrollbarWidth: "none", "& > *": { scrollSnapAlign: "center" } }}
    >
      {children}
    </Flex>
  );
}
