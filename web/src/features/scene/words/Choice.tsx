import { Box } from "@chakra-ui/react";
import { Button } from "../../../components/Button";

/** One of a few: pressed when it is the one. */
export function Choice({
  name,
  detail,
  chosen,
  onChoose,
}: {
  name: string;
  detail?: string;
  chosen: boolean;
  onChoose: () => void;
}) {
  return (
    <Button variant="choice" aria-pressed={chosen} onClick={onChoose}>
      <span>
        {chosen ? "● " : "○ "}
        {name}
      </span>
      {detail && (
        <Box as="span" color="ink2" fontWeight={400} fontSize="14px">
          {detail}
        </Box>
      )}
    </Button>
  );
}
