import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { act } from "../api/acts";
import { askedWithin, askNoMore, useAskedWithin, useCommaAsked } from "../api/comma";
import { wayQuery } from "../api/queries";
import { Button } from "../components/Button";
import { useWrite } from "./useWrite";

/** The question where a field was refused for its comma; then what was typed is sent again. */
function Asked() {
  const points = useCommaAsked();
  return (
    points && (
      <Box
        role="status"
        background="accentSoft"
        paddingInline={{ base: "4", md: "6" }}
        paddingBlock="3"
      >
        Is the comma a decimal point, as in {points}? Answer once; then go on as before.
        <AskComma answered={askNoMore} />
      </Box>
    )
  );
}

/** Above the rooms, unless what is typed in asks by itself. */
export const CommaAbove = () => (useAskedWithin() ? null : <Asked />);

/** In a sheet or beneath a word, beside what is typed. */
export function CommaWithin() {
  useEffect(askedWithin, []);
  return <Asked />;
}

/** Asked once: whether a comma between digits is a decimal point, in every field from then on. */
export function AskComma({ answered }: { answered: () => void }) {
  const way = useQuery(wayQuery).data;
  const { write, busy } = useWrite(answered);
  const is = (decimal_comma: boolean) =>
    way &&
    void write(
      act("preferences_put", {
        query: { base: way.version },
        body: { ...way.preferences, decimal_comma },
      }),
    );
  return (
    <Flex gap="3" paddingTop="2" wrap="wrap" role="group" aria-label="Decimal comma">
      <Button disabled={busy || !way} onClick={() => is(true)}>
        A decimal comma
      </Button>
      <Button disabled={busy || !way} onClick={() => is(false)}>
        A slip
      </Button>
    </Flex>
  );
}
