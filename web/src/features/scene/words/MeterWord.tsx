import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { newId } from "../../../api/newId";
import { Button } from "../../../components/Button";
import { Small } from "../../../components/text";
import { offered } from "../../../shared/offered";
import { pullTrigger, type Scene, spotMeterQuery } from "../queries";
import { Choice } from "./Choice";
import type { ChoicesProps, WordProps } from "./props";
import { Refused } from "./Said";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

export function MeterWord({ scene, kit, edit }: WordProps) {
  const meter = kit.meters.find((each) => each.id === scene.meter_id);
  const held = scene.meter_held_stops;
  const set = [
    meter?.name ?? "standard",
    scene.meter_iso != null && `at ISO ${scene.meter_iso}`,
    held != null && held !== 0 && `${held > 0 ? "+" : "−"}${Math.abs(held)} held`,
  ];
  return (
    <Word label="Meter" named={!meter} value={set.filter(Boolean).join(", ")}>
      {(close) => <MeterChoices scene={scene} kit={kit} edit={edit} close={close} />}
    </Word>
  );
}

function MeterChoices({ scene, kit, edit, close }: ChoicesProps) {
  const { keep, problem } = useKeep(edit, close);
  return (
    <Flex direction="column" gap="1">
      <Choice
        name="standard"
        detail="K 12.5, C 250"
        chosen={!scene.meter_id}
        onChoose={() => keep({ kind: "meter", meter_id: null })}
      />
      {offered(kit.meters, scene.meter_id).map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          chosen={each.id === scene.meter_id}
          onChoose={() => keep({ kind: "meter", meter_id: each.id })}
        />
      ))}
      <Aim scene={scene} edit={edit} />
      <Refused text={problem} />
    </Flex>
  );
}

/** The spot meter that is connected: what it can be aimed at; touching a target pulls the trigger. */
function Aim({ scene, edit }: { scene: Scene; edit: WordProps["edit"] }) {
  const meter = useQuery(spotMeterQuery(scene.id)).data;
  const { problem, setProblem } = useKeep(edit, () => undefined);
  const [said, setSaid] = useState<string | null>(null);
  if (!meter?.targets.length) return null;
  const pull = async (target: string) => {
    try {
      const arrived = await pullTrigger(scene, target, newId());
      await edit(arrived.edits);
      setSaid(arrived.says);
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  return (
    <Box borderTop="1px solid" borderColor="line" paddingTop="3" marginTop="2">
      <Small paddingBottom="1">{meter.name}: aim and pull</Small>
      <Flex wrap="wrap" gap="1">
        {meter.targets.map((target) => (
          <Button
            key={target.id}
            borderWidth="1px"
            paddingInline="3"
            onClick={() => void pull(target.id)}
          >
            {target.label}
          </Button>
        ))}
      </Flex>
      {said && (
        <Box role="status" paddingTop="2" fontWeight={600}>
          {said}
        </Box>
      )}
      <Refused text={problem} />
    </Box>
  );
}
