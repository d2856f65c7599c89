import { Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../../../components/Button";
import { Entry } from "../../../components/Entry";
import { apertureText } from "../../../shared/aperture";
import type { Scene, Solution } from "../queries";
import { Choice } from "./Choice";
import { assumed, type WordProps } from "./props";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

export function ApertureWord({ scene, solution, edit }: WordProps) {
  const value =
    scene.aperture == null
      ? (assumed(solution, "aperture") ?? "f/8, assumed")
      : apertureText(scene.aperture);
  const wrong = solution?.problem?.field === "aperture";
  return (
    <Word
      plain
      label="Aperture"
      value={value}
      soft={scene.aperture == null}
      problem={wrong ? "aperture" : null}
    >
      {(close) => <ApertureChoices scene={scene} solution={solution} edit={edit} close={close} />}
    </Word>
  );
}

function ApertureChoices({
  scene,
  solution,
  edit,
  close,
}: {
  scene: Scene;
  solution: Solution | undefined;
  edit: WordProps["edit"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(edit, close);
  const [text, setText] = useState(scene.aperture == null ? "" : String(scene.aperture));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep({ kind: "aperture", aperture: text });
  };
  return (
    <Flex direction="column" gap="2" as="form" onSubmit={submit}>
      <Flex gap="2" align="flex-end">
        <Entry
          label="Aperture on the lens"
          value={text}
          inputMode="decimal"
          onText={setText}
          problem={problem}
        />
        <Button type="submit">Set aperture</Button>
      </Flex>
      {solution?.answer?.equivalents.map((pair) => (
        <Choice
          key={pair.aperture}
          name={apertureText(pair.aperture)}
          detail={pair.text}
          chosen={String(scene.aperture) === pair.aperture}
          onChoose={() => keep({ kind: "aperture", aperture: pair.aperture })}
        />
      ))}
    </Flex>
  );
}
