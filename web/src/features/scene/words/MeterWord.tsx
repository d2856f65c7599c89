import { Flex } from "@chakra-ui/react";
import type { Scene } from "../queries";
import { Choice } from "./Choice";
import type { Kit, WordProps } from "./props";
import { Refused } from "./Said";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

export function MeterWord({ scene, kit, save }: WordProps) {
  const meter = kit.meters.find((each) => each.id === scene.meter_id);
  const settled = kit.meters.length === 1 && Boolean(meter);
  if (!kit.meters.length || settled) return null;
  return (
    <Word label="Meter" value={meter?.name ?? "standard"}>
      {(close) => <MeterChoices scene={scene} kit={kit} save={save} close={close} />}
    </Word>
  );
}

function MeterChoices({
  scene,
  kit,
  save,
  close,
}: {
  scene: Scene;
  kit: Kit;
  save: WordProps["save"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(save, close);
  return (
    <Flex direction="column" gap="1">
      <Choice
        name="standard"
        detail="K 12.5, C 250"
        chosen={!scene.meter_id}
        onChoose={() => keep({ ...scene, meter_id: null })}
      />
      {kit.meters.map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          chosen={each.id === scene.meter_id}
          onChoose={() => keep({ ...scene, meter_id: each.id })}
        />
      ))}
      <Refused text={problem} />
    </Flex>
  );
}
