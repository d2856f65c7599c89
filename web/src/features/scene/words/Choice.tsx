import { Button } from "../../../components/Button";
import { Small } from "../../../components/text";

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
        <Small as="span" fontWeight={400}>
          {detail}
        </Small>
      )}
    </Button>
  );
}
