import { Flex } from "@chakra-ui/react";
import type { Scene } from "../queries";
import { Choice } from "./Choice";
import type { Kit, WordProps } from "./props";
import { Empty, Refused } from "./Said";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

export function LensWord({ scene, kit, solution, edit }: WordProps) {
  const lens = kit.lenses.find((each) => each.id === scene.lens_id);
  const pinhole = kit.pinholes.find((each) => each.id === scene.pinhole_id);
  const value = lens?.name ?? (pinhole ? `pinhole ${pinhole.name}` : "choose a lens");
  return (
    <Word
      label="Lens"
      value={value}
      problem={solution?.problem?.field === "lens_id" ? "lens" : null}
    >
      {(close) => <LensChoices scene={scene} kit={kit} edit={edit} close={close} />}
    </Word>
  );
}

function LensChoices({
  scene,
  kit,
  edit,
  close,
}: {
  scene: Scene;
  kit: Kit;
  edit: WordProps["edit"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(edit, close);
  if (!kit.lenses.length && !kit.pinholes.length) return <Empty what="lens or pinhole" />;
  return (
    <Flex direction="column" gap="1">
      {kit.lenses
        .filter((each) => !each.archived || each.id === scene.lens_id)
        .map((each) => (
          <Choice
            key={each.id}
            name={each.name}
            detail={`f/${each.optics.widest} – f/${each.optics.smallest}`}
            chosen={each.id === scene.lens_id}
            onChoose={() => keep({ kind: "lens", lens_id: each.id })}
          />
        ))}
      {kit.pinholes
        .filter((each) => !each.archived || each.id === scene.pinhole_id)
        .map((each) => (
          <Choice
            key={each.id}
            name={each.name}
            detail="pinhole"
            chosen={each.id === scene.pinhole_id}
            onChoose={() => keep({ kind: "pinhole", pinhole_id: each.id })}
          />
        ))}
      <Refused text={problem} />
    </Flex>
  );
}
