import { Box, Flex, Input } from "@chakra-ui/react";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { Link } from "wouter";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { useNarrow } from "../../components/useNarrow";
import { AskComma } from "../../shared/AskComma";
import { Keypad } from "../../shared/keypad/Keypad";
import { useKeypad } from "../../shared/keypad/useKeypad";
import { RoomHeader } from "../../shared/RoomHeader";
import { useWrite } from "../../shared/useWrite";
import { answerTo, type Told } from "./queries";
import { Said } from "./Said";
import { useQuestions } from "./useQuestions";

/** One question at a time: it is answered as one writes, judged at once, and Enter goes on. */
export function QuestionsPage() {
  const { asked, place, many, set, problem: away, next, anew } = useQuestions();
  const [text, setText] = useState("");
  const [told, setTold] = useState<Told | null>(null);
  const [rights, setRights] = useState<boolean[]>([]);
  const field = useRef<HTMLInputElement>(null);
  const on = useRef<HTMLButtonElement>(null);
  const narrow = useNarrow();
  const pad = useKeypad(narrow, field);
  const { write, problem, setProblem, busy } = useWrite();
  const question = asked?.question;

  // biome-ignore lint/correctness/useExhaustiveDependencies: each question is begun with nothing typed
  useEffect(() => {
    setText("");
    setTold(null);
    setProblem(null);
    field.current?.focus();
  }, [question?.seed, question?.topic, place]);
  useEffect(() => {
    if (told) on.current?.focus();
  }, [told]);

  const answer = async (event?: FormEvent) => {
    event?.preventDefault();
    if (!asked || told || busy || !text.trim()) return;
    const said = await write(answerTo(asked, text, set));
    if (!said) return;
    setTold(said);
    setRights((before) => [...before, said.right]);
  };
  const type = (typed: string) => {
    setText(typed);
    setProblem(null);
  };
  const again = () => {
    setRights([]);
    anew();
  };
  const over = place >= many;
  return (
    <>
      <RoomHeader title={question?.topic_text ?? "Practice"} sub={over ? "" : asked?.why}>
        <Dots rights={rights} many={many} />
      </RoomHeader>
      <Flex
        as="main"
        direction="column"
        flex="1"
        minHeight="0"
        overflow="auto"
        padding={{ base: "4", md: "8" }}
        gap="5"
      >
        {away && (
          <Notice tone="warning" live>
            {away.message}
          </Notice>
        )}
        {question && (
          <Box maxWidth="720px" width="100%">
            <Box as="h2" fontSize={{ base: "20px", md: "24px" }} lineHeight={1.35} fontWeight={600}>
              {question.text}
            </Box>
            <Flex as="form" onSubmit={answer} gap="3" paddingTop="5" align="stretch">
              <Input
                ref={field}
                value={text}
                onChange={(event) => type(event.target.value)}
                inputMode={pad.shown ? "none" : "text"}
                onFocus={pad.open}
                onBlur={pad.leave}
                readOnly={told !== null}
                aria-label="Your answer"
                aria-describedby="answer-how"
                aria-invalid={problem !== null}
                autoComplete="off"
                spellCheck={false}
                enterKeyHint="done"
                fontSize="22px"
                minHeight="56px"
                border="2px solid"
                borderColor={problem ? "brick" : "ink"}
                background="sheet"
              />
              {!told && (
                <Button
                  type="submit"
                  variant="main"
                  minHeight="56px"
                  disabled={busy || !text.trim()}
                >
                  Answer
                </Button>
              )}
            </Flex>
            <Box
              id="answer-how"
              role={problem ? "alert" : undefined}
              color={problem ? "brick" : "ink2"}
              fontSize="14px"
              paddingTop="1"
            >
              {problem && problem.code !== "comma" ? problem.message : question.hint}
            </Box>
            {problem?.code === "comma" && (
              <AskComma
                answered={() => {
                  setProblem(null);
                  field.current?.focus();
                }}
              />
            )}
            {told && <Said told={told} />}
            {told && (
              <Flex paddingTop="5" gap="3">
                <Button ref={on} variant="main" minHeight="52px" minWidth="160px" onClick={next}>
                  {place + 1 < many ? "Next" : "Done"}
                </Button>
              </Flex>
            )}
          </Box>
        )}
        {over && <Finished rights={rights} again={again} />}
        {pad.shown && !told && question && (
          <Box position="fixed" insetInline="0" bottom="0" zIndex={20}>
            <Keypad
              field={field}
              words={question.unit === "n" ? ["N", "N−", "N+"] : []}
              change={type}
              keep={() => void answer()}
              letters={pad.letters}
              close={pad.close}
            />
          </Box>
        )}
      </Flex>
    </>
  );
}

/** How far one is: right ones full, wrong ones struck, those to come open. */
function Dots({ rights, many }: { rights: boolean[]; many: number }) {
  const right = rights.filter(Boolean).length;
  return (
    <Flex
      gap={{ base: "1", md: "1.5" }}
      role="img"
      aria-label={`${rights.length} of ${many} answered, ${right} right`}
      data-dots
    >
      {Array.from({ length: many }, (_, place) => {
        const said = rights[place];
        return (
          <Box
            // biome-ignore lint/suspicious/noArrayIndexKey: places of the set
            key={place}
            width={many > 8 ? "8px" : { base: "12px", md: "16px" }}
            height="16px"
            border="2px solid"
            borderColor={said === undefined ? "line" : said ? "ink" : "ochre"}
            background={said ? "ink" : "transparent"}
          />
        );
      })}
    </Flex>
  );
}

function Finished({ rights, again }: { rights: boolean[]; again: () => void }) {
  const right = rights.filter(Boolean).length;
  return (
    <Box maxWidth="560px">
      <Box as="h2" fontSize="24px" fontWeight={650}>
        {right} of {rights.length} right.
      </Box>
      <Box paddingTop="1">
        {right === rights.length
          ? "Enough for today, if you like."
          : "What was misunderstood is asked again today, then at growing distances."}
      </Box>
      <Flex gap="3" paddingTop="4">
        <Button asChild textDecoration="none">
          <Link to="/practice">Practice</Link>
        </Button>
        <Button variant="main" onClick={again} autoFocus>
          Five more
        </Button>
      </Flex>
    </Box>
  );
}
