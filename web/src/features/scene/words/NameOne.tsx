import { Flex } from "@chakra-ui/react";
import { type FormEvent, useRef, useState } from "react";
import { newId } from "../../../api/newId";
import type { Refusal } from "../../../api/refusal";
import { Button } from "../../../components/Button";
import { Entry } from "../../../components/Entry";
import { readLine } from "../queries";
import type { WordProps } from "./props";

/** Something that is not in the kit yet, named as on the reading line, and made of what is said. */
export function NameOne({
  label,
  example,
  word,
  edit,
  close,
}: {
  label: string;
  example: string;
  /** what the line calls it */
  word: string;
  edit: WordProps["edit"];
  close: () => void;
}) {
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const id = useRef(newId());
  const add = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await edit((latest) => readLine(latest, `${word} ${name}`, id.current));
      close();
    } catch (refusal) {
      setProblem((refusal as Refusal).message);
    }
  };
  return (
    <form onSubmit={add}>
      <Flex gap="2" align="flex-end">
        <Entry
          label={label}
          value={name}
          placeholder={example}
          onText={setName}
          problem={problem}
        />
        <Button type="submit" disabled={!name.trim()}>
          Add
        </Button>
      </Flex>
    </form>
  );
}
