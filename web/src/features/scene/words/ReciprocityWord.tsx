import { Flex } from "@chakra-ui/react";
import { Small } from "../../../components/text";
import { useWrite } from "../../../shared/useWrite";
import { likeFilm } from "../queries";
import { Choice } from "./Choice";
import type { WordProps } from "./props";
import { Refused } from "./Said";
import { Word } from "./Word";

/** Long light on a film nobody has said the law of: as metered, until it is taken like most of a kind. */
export function ReciprocityWord({ scene, solution }: WordProps) {
  const unknown = solution?.assumed.find((each) => each.what === "reciprocity");
  if (!unknown) return null;
  return (
    <Word label="Reciprocity" plain soft value={unknown.text}>
      {(close) => <Kinds id={scene.id} kinds={unknown.choices} close={close} />}
    </Word>
  );
}

function Kinds({ id, kinds, close }: { id: string; kinds: string[]; close: () => void }) {
  const { problem, write } = useWrite(close);
  return (
    <Flex direction="column" gap="1">
      {kinds.map((kind) => (
        <Choice
          key={kind}
          name={kind}
          chosen={false}
          onChoose={() => void write(likeFilm(id, kind))}
        />
      ))}
      <Small maxWidth="300px">
        Typical, no source: the maker's table, or your own test in Kit, is better.
      </Small>
      <Refused text={problem?.message ?? null} />
    </Flex>
  );
}
