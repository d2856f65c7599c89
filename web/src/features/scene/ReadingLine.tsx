import { Box, Flex, Input } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, memo, type RefObject, useEffect, useMemo, useRef, useState } from "react";
import { act } from "../../api/acts";
import { newId } from "../../api/newId";
import { wayQuery } from "../../api/queries";
import { useStamp } from "../../api/reads";
import { Refusal } from "../../api/refusal";
import { Button } from "../../components/Button";
import { OFFERED } from "../../service/service";
import { AskComma } from "../../shared/AskComma";
import { Keypad } from "../../shared/keypad/Keypad";
import { useKeypad } from "../../shared/keypad/useKeypad";
import { useKeptText } from "../../shared/useKeptText";
import { useLatest } from "../../shared/useLatest";
import { useWrite } from "../../shared/useWrite";
import { readLine, type Scene } from "./queries";
import type { Change } from "./useKeeping";

interface Meaning {
  says: string;
  /** which ISO the time belongs to, asked once: the film's EI or 100 */
  isos: number[] | null;
  /** the nearest line that is understood, or the one a decimal comma means */
  nearest: string | null;
  comma: boolean;
}

/** What a line means over a scene, or why it means nothing. */
async function meant(scene: Scene, text: string, reading_id: string): Promise<Meaning> {
  try {
    const { says } = await readLine(scene, text, reading_id);
    return { says, isos: null, nearest: null, comma: false };
  } catch (problem) {
    return refusalOf(problem as Error);
  }
}

function refusalOf(problem: Error): Meaning {
  const { code, field, allowed } =
    problem instanceof Refusal ? problem : { code: "", field: null, allowed: null };
  const [first] = Array.isArray(allowed) ? allowed : [];
  return {
    says: problem.message,
    isos: field === "time_iso" ? (allowed as number[] | null) : null,
    nearest: typeof first === "string" ? first : null,
    comma: code === "comma",
  };
}

const SKIES = OFFERED.told_light.map((each) => each.value);

/** Nobody reads a meaning sooner after the last. */
const APART_MS = 250;

/** Where the line stands while its keypad is open: over the room, at the thumb. */
const ABOVE = {
  position: "fixed",
  insetInline: "0",
  bottom: "0",
  zIndex: 20,
  background: "sheet",
  paddingTop: "2",
  "& > :not([role=group])": { marginInline: "12px" },
  boxShadow: "0 -1px 0 var(--chakra-colors-line)",
} as const;

/** Several lines, pasted from a table, as one line with semicolons between. */
const joined = (pasted: string) =>
  pasted
    .trim()
    .split(/[\r\n]+/)
    .join("; ");

/** One line for readings and settings; its meaning is shown before Enter keeps it. */
export const ReadingLine = memo(function ReadingLine({
  scene,
  edit,
  field,
  labels,
  narrow,
  expose,
}: {
  scene: Scene;
  /** names used lately, for the keypad */
  labels: string[];
  narrow: boolean;
  /** on to the exposure, when there is an answer */
  expose: (() => void) | null;
  edit: (change: Change) => Promise<void>;
  field: RefObject<HTMLInputElement | null>;
}) {
  const [text, setText] = useKeptText(`line-${scene.id}`);
  const [back, setBack] = useState("");
  // refused while the next one was typed: they stay until they are taken up again or let go
  const [lost, setLost] = useState<{ text: string; says: string }[]>([]);
  const letGo = (line: { text: string }) =>
    setLost((before) => before.filter((each) => each !== line));
  const latest = useRef(text);
  latest.current = text;
  const [refusal, setRefusal] = useState<Meaning | null>(null);
  const nextId = useRef(newId());
  const way = useQuery(wayQuery).data;
  const stamp = useStamp("scenes_line");
  const { write } = useWrite();
  const pad = useKeypad(narrow, field);

  // what is asked is another question when kit or preferences changed
  const asking = useMemo(() => (text.trim() ? { scene, text, stamp } : null), [scene, text, stamp]);
  const meaning = useLatest(
    asking,
    ({ scene, text }) => meant(scene, text, nextId.current),
    APART_MS,
  );
  const shown = refusal ?? meaning ?? null;
  const refused = refusal !== null;

  /** asked once in a data folder: what times off a meter belong to */
  const belong = async (time_iso: "film" | "100") => {
    if (!way) return;
    const wanted = { ...way.preferences, time_iso };
    await write(act("preferences_put", { query: { base: way.version }, body: wanted }));
    field.current?.focus();
  };
  const type = (next: string) => {
    setText(next);
    setRefusal(null);
  };

  const keep = async (event?: FormEvent) => {
    event?.preventDefault();
    if (!text.trim()) return;
    const [sent, reading_id] = [text, nextId.current];
    // the line is free at once: what is typed meanwhile is the next one
    nextId.current = newId();
    type("");
    try {
      await edit({ text: sent, reading_id });
    } catch (problem) {
      const refused = refusalOf(problem as Error);
      if (latest.current.trim()) {
        setLost((before) => [...before, { text: sent, says: refused.says }]);
        return;
      }
      setText(sent);
      setRefusal(refused);
      setBack(reading_id);
    }
  };
  // a line that came back is chosen: what comes next is typed over it, not glued to it
  // biome-ignore lint/correctness/useExhaustiveDependencies: each one that comes back
  useEffect(() => {
    if (back) field.current?.select();
  }, [back]);

  return (
    <Box as="form" onSubmit={keep} {...(pad.shown && ABOVE)}>
      <Flex
        align="center"
        border="2px solid"
        borderColor={refused ? "brick" : "ink"}
        borderRadius="6px"
        background="sheet"
        minHeight={{ base: "52px", md: "48px" }}
        paddingInline="3"
        gap="4"
        _focusWithin={{ outline: "3px solid", outlineColor: "accent", outlineOffset: "2px" }}
      >
        <Input
          ref={field}
          value={text}
          // the key that brings one here is none of what is typed
          onChange={(event) => type(event.target.value.replace(/^\/+/, ""))}
          onPaste={(event) => {
            const pasted = event.clipboardData.getData("text");
            if (!/[\r\n]/.test(pasted.trim())) return;
            event.preventDefault();
            type([text.trim(), joined(pasted)].filter(Boolean).join("; "));
          }}
          inputMode={pad.shown ? "none" : "text"}
          onFocus={pad.open}
          onBlur={pad.leave}
          onKeyDown={(event) => event.key === "Escape" && event.currentTarget.blur()}
          aria-label="Type a reading"
          aria-describedby="line-meaning"
          aria-invalid={refused}
          placeholder="9 shade III"
          enterKeyHint="done"
          autoComplete="off"
          autoCapitalize="off"
          spellCheck={false}
          fontSize={{ base: "20px", md: "18px" }}
          border="none"
          background="transparent"
          paddingInline="0"
          width={{ base: "100%", md: shown ? "260px" : "100%" }}
          flex={{ base: "1", md: shown ? "0 0 auto" : "1" }}
          _focusVisible={{ outline: "none" }}
        />
        <Box
          display={{ base: "none", md: "block" }}
          flex="1"
          minWidth="0"
          fontSize="14px"
          color={refused ? "brick" : "ink2"}
          lineHeight={1.25}
        >
          {shown?.says}
        </Box>
        {!shown && (
          <Box
            display={{ base: "none", md: "block" }}
            whiteSpace="nowrap"
            fontSize="13px"
            color="ink2"
          >
            / to type · Enter to add
          </Box>
        )}
      </Flex>
      <Box
        id="line-meaning"
        role={refused ? "alert" : "status"}
        srOnly={{ md: true }}
        fontSize="14px"
        color={refused ? "brick" : "ink2"}
        paddingTop={{ base: shown ? "1" : "0", md: "0" }}
        lineHeight={1.25}
      >
        {shown?.says}
      </Box>
      {lost.map((line) => (
        <Flex key={line.text} role="alert" gap="3" align="center" fontSize="14px" color="brick">
          <Box flex="1">
            “{line.text}” was not added. {line.says}
          </Box>
          <Button
            variant="word"
            onClick={() => {
              letGo(line);
              type(line.text);
              field.current?.focus();
            }}
          >
            Use “{line.text}”
          </Button>
          <Button variant="word" onClick={() => letGo(line)} aria-label={`Let “${line.text}” go`}>
            Let go
          </Button>
        </Flex>
      ))}
      {shown?.nearest && !shown.comma && (
        <Button variant="word" onClick={() => type(shown.nearest ?? text)}>
          Use “{shown.nearest}”
        </Button>
      )}
      {shown?.comma && (
        <AskComma
          answered={() => {
            setRefusal(null);
            field.current?.focus();
          }}
        />
      )}
      {shown?.isos && (
        <Flex gap="3" paddingTop="2" wrap="wrap" role="group" aria-label="Times belong to">
          <Button onClick={() => belong("film")}>The film's EI, {shown.isos[0]}</Button>
          <Button onClick={() => belong("100")}>ISO 100</Button>
        </Flex>
      )}
      {pad.shown && (
        <Keypad
          field={field}
          words={[...labels, ...SKIES]}
          change={type}
          keep={() => (text.trim() ? void keep() : pad.close())}
          letters={pad.letters}
          close={pad.close}
          expose={
            expose && !text.trim()
              ? () => {
                  pad.close();
                  expose();
                }
              : null
          }
        />
      )}
    </Box>
  );
});
