import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../../components/Button";
import { Choose } from "../../../components/Choose";
import { SCHOOLS } from "../../../components/schools";
import { ZONES } from "../../../components/zones";
import type { Scene } from "../queries";
import type { WordProps } from "./props";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

export function PlaceWord({ scene, solution, save }: WordProps) {
  return (
    <Word label="Place" value={solution?.placement || "nothing yet"}>
      {(close) => <PlaceChoices scene={scene} save={save} close={close} />}
    </Word>
  );
}

function PlaceChoices({
  scene,
  save,
  close,
}: {
  scene: Scene;
  save: WordProps["save"];
  close: () => void;
}) {
  const { keep, problem } = useKeep(save, close);
  const [reading, setReading] = useState(scene.pin?.reading ?? scene.readings[0]?.id ?? "");
  if (!scene.readings.length) return <Box>Type a reading first, as in 9 shade III.</Box>;
  const keeps = ["shadow", "midtone", "highlight"].includes(scene.school ?? "");
  return (
    <Flex direction="column" gap="3">
      <Choose
        label="Way of placing"
        value={scene.school ?? ""}
        options={SCHOOLS}
        onChange={(value) =>
          keep({
            ...scene,
            school: (value || null) as Scene["school"],
            pin: value ? null : (scene.pin ?? null),
            n: null,
          })
        }
      />
      <Choose
        label="Place this reading"
        value={reading}
        options={scene.readings.map((each) => ({ value: each.id, label: each.label || "reading" }))}
        onChange={setReading}
        problem={problem}
      />
      <Box fontSize="14px" color="ink2">
        on zone (drag its pin for thirds)
      </Box>
      <Flex wrap="wrap" gap="1">
        {ZONES.map((name, zone) => (
          <Button
            key={name}
            minWidth="46px"
            paddingInline="1"
            variant={scene.pin?.reading === reading && scene.pin.zone === zone ? "main" : "plain"}
            borderWidth="1px"
            onClick={() =>
              keep({ ...scene, pin: { reading, zone }, school: keeps ? scene.school : null })
            }
          >
            {name}
          </Button>
        ))}
      </Flex>
    </Flex>
  );
}
