import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../../components/Button";
import { Choose } from "../../../components/Choose";
import { Small } from "../../../components/text";
import { OFFERED } from "../../../service/service";
import { ZONES } from "../../../shared/zones";
import type { Scene } from "../queries";
import type { ChoicesProps, WordProps } from "./props";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

export function PlaceWord({ scene, solution, edit }: WordProps) {
  return (
    <Word label="Placement" value={solution?.placement || "nothing yet"}>
      {(close) => <PlaceChoices scene={scene} edit={edit} close={close} />}
    </Word>
  );
}

function PlaceChoices({ scene, edit, close }: Omit<ChoicesProps, "kit">) {
  const { keep, problem } = useKeep(edit, close);
  const [reading, setReading] = useState(scene.pin?.reading ?? scene.readings[0]?.id ?? "");
  if (!scene.readings.length) return <Box>Type a reading first, as in 9 shade III.</Box>;
  return (
    <Flex direction="column" gap="3">
      <Choose
        label="Placement method"
        value={scene.school ?? ""}
        options={OFFERED.schools}
        onChange={(value) => keep({ kind: "place_by", school: (value || null) as Scene["school"] })}
      />
      <Choose
        label="Place this reading"
        value={reading}
        options={scene.readings.map((each) => ({ value: each.id, label: each.label || "reading" }))}
        onChange={setReading}
        problem={problem}
      />
      <Small>on zone (drag its pin for thirds)</Small>
      <Flex wrap="wrap" gap="1">
        {ZONES.map((name, zone) => (
          <Button
            key={name}
            minWidth="46px"
            paddingInline="1"
            variant={scene.pin?.reading === reading && scene.pin.zone === zone ? "main" : "plain"}
            borderWidth="1px"
            onClick={() => keep({ kind: "place", reading, zone })}
          >
            {name}
          </Button>
        ))}
      </Flex>
    </Flex>
  );
}
