import { Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { useWrite } from "../../shared/useWrite";
import { nameHolder } from "./queries";

/** Which side a sheet lay in that was exposed before anybody said so. */
export function NameHolder({ pieceId }: { pieceId: string }) {
  const [side, setSide] = useState("");
  const { problem, write, busy } = useWrite();
  const save = (event: FormEvent) => {
    event.preventDefault();
    void write(nameHolder(pieceId, side));
  };
  return (
    <Flex as="form" onSubmit={save} gap="3" align="flex-end" paddingTop="3" maxWidth="360px">
      <Entry
        label="Holder and side"
        placeholder="2B"
        value={side}
        onText={setSide}
        problem={problem?.message ?? null}
      />
      <Button type="submit" disabled={busy || !side.trim()}>
        Save
      </Button>
    </Flex>
  );
}
