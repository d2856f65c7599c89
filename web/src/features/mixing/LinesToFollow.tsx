import { Box, Flex } from "@chakra-ui/react";
import type { Schemas } from "../../api/calls";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import { useKeptText } from "../../shared/useKeptText";

/** A mixing sheet followed line by line: the next one large, those done struck through. */
export function LinesToFollow({ sheet, name }: { sheet: Schemas["MixingSheet"]; name: string }) {
  const all = sheet.parts.flatMap((part) => part.lines.map((line) => `${part.title}: ${line}`));
  // what is ticked stays ticked while nothing of the sheet changes
  const [kept, setKept] = useKeptText(`mixing ${name} ${all.join("|")}`);
  const done = new Set(kept.split(",").filter(Boolean).map(Number));
  const next = all.findIndex((_, at) => !done.has(at));
  const tick = (at: number) => {
    const changed = new Set(done);
    if (!changed.delete(at)) changed.add(at);
    setKept([...changed].join(","));
  };
  let at = -1;
  return (
    <Box maxWidth="720px">
      {sheet.parts.map((part) => (
        <Box
          as="section"
          key={part.title}
          aria-label={part.title}
          borderTop="2px solid"
          borderColor="ink"
          paddingTop="2"
          paddingBottom="5"
        >
          <Box as="h2" fontSize="19px">
            {part.title}
          </Box>
          {part.lines.map((line) => {
            at += 1;
            const mine = at;
            const now = mine === next;
            return (
              <Box
                as="label"
                key={line}
                display="flex"
                gap="3"
                alignItems="flex-start"
                minHeight="48px"
                paddingBlock="2.5"
                borderBottom="1px solid"
                borderColor="line"
                fontSize={now ? "26px" : "17px"}
                lineHeight={1.25}
                fontWeight={now ? 620 : 400}
                color={done.has(mine) ? "ink2" : "ink"}
                textDecoration={done.has(mine) ? "line-through" : undefined}
                aria-current={now ? "step" : undefined}
              >
                <input
                  type="checkbox"
                  checked={done.has(mine)}
                  onChange={() => tick(mine)}
                  style={{ width: 24, height: 24, flex: "none", marginTop: 2 }}
                />
                {line}
              </Box>
            );
          })}
          <Flex direction="column" gap="1" paddingTop="2">
            {part.cautions.map((each) => (
              <Notice key={each} tone="caution">
                {each}
              </Notice>
            ))}
          </Flex>
        </Box>
      ))}
      {next < 0 && (
        <Flex gap="3" align="center" role="status" paddingBottom="4">
          <Box fontWeight={620}>All of it is mixed.</Box>
          <Button variant="word" onClick={() => setKept("")}>
            begin again
          </Button>
        </Flex>
      )}
      <Small>{sheet.cautions.join(" ")}</Small>
    </Box>
  );
}
