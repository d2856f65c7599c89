import { Flex } from "@chakra-ui/react";
import { apertureText } from "../../../shared/aperture";
import { offered } from "../../../shared/offered";
import { Choice } from "./Choice";
import { NameOne } from "./NameOne";
import { assumed, type ChoicesProps, type WordProps } from "./props";
import { Refused } from "./Said";
import { useKeep } from "./useKeep";
import { Word } from "./Word";

export function LensWord({ scene, kit, solution, edit }: WordProps) {
  const lens = kit.lenses.find((each) => each.id === scene.lens_id);
  const pinhole = kit.pinholes.find((each) => each.id === scene.pinhole_id);
  const unsaid = assumed(solution, "lens") ?? "any lens";
  const value = lens?.name ?? (pinhole ? `pinhole ${pinhole.name}` : unsaid);
  return (
    <Word
      label="Lens"
      value={value}
      soft={!lens && !pinhole}
      problem={solution?.problem?.field === "lens_id" ? "lens" : null}
    >
      {(close) => <LensChoices scene={scene} kit={kit} edit={edit} close={close} />}
    </Word>
  );
}

function LensChoices({ scene, kit, edit, close }: ChoicesProps) {
  const { keep, problem } = useKeep(edit, close);
  return (
    <Flex direction="column" gap="1">
      {offered(kit.lenses, scene.lens_id).map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          detail={`${apertureText(each.optics.widest ?? "")} – ${apertureText(each.optics.smallest ?? "")}`}
          chosen={each.id === scene.lens_id}
          onChoose={() => keep({ kind: "lens", lens_id: each.id })}
        />
      ))}
      {offered(kit.pinholes, scene.pinhole_id).map((each) => (
        <Choice
          key={each.id}
          name={each.name}
          detail="pinhole"
          chosen={each.id === scene.pinhole_id}
          onChoose={() => keep({ kind: "pinhole", pinhole_id: each.id })}
        />
      ))}
      <Refused text={problem} />
      <NameOne
        label="Another lens, by its focal length"
        example="150"
        word="lens"
        edit={edit}
        close={close}
      />
      <NameOne
        label="Another pinhole, by hole and distance in mm"
        example="0.3 at 60"
        word="pinhole"
        edit={edit}
        close={close}
      />
    </Flex>
  );
}
