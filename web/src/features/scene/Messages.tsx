import { Box } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";

/** What became of what was done: no answer, not kept, refused; or that it was done. */
export function Messages({
  away,
  unkept,
  save,
  refused,
  said,
}: {
  away: boolean;
  /** why a change could not be kept */
  unkept: string | null;
  save: () => void;
  refused: string | null;
  said: string | null;
}) {
  return (
    <>
      {away && (
        <Notice tone="warning" live>
          Emulsa is not responding; figures may be out of date.
        </Notice>
      )}
      {unkept !== null && (
        <Notice tone="warning" live>
          {unkept}{" "}
          <Button variant="word" onClick={save}>
            Save now
          </Button>
        </Notice>
      )}
      {refused && unkept === null && (
        <Notice tone="refusal" live>
          {refused}
        </Notice>
      )}
      {said && (
        <Box role="status" fontSize="15px" color="accent" fontWeight={600}>
          {said}
        </Box>
      )}
    </>
  );
}
