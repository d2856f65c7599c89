import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useLocation } from "wouter";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { dayText, midnight } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Quiet } from "../../components/text";
import { FileLink } from "../../shared/FileLink";
import { useMeasures } from "../../shared/measures";
import { useWrite } from "../../shared/useWrite";
import { DayThread } from "./DayThread";
import { beginScene, drawnQuery, lightQuery, type Outing, type OutingView } from "./queries";
import { SceneRow } from "./SceneRow";

export type Planning = "change" | "revisit" | "pack";

/** A day: its place and weather, its scenes in the order they were found, and the next one. */
export function OutingSection({
  view,
  plan,
}: {
  view: OutingView;
  plan: (what: Planning) => void;
}) {
  const { outing, scenes } = view;
  const units = useMeasures();
  const drawn = useQuery(drawnQuery(outing.id)).data;
  const begin = midnight(outing.day);
  const placed = outing.latitude != null && /^\d{4}-\d{2}-\d{2}$/.test(outing.day);
  const light = useQuery({ ...lightQuery(outing.id, begin), enabled: placed }).data;
  const places = Object.fromEntries(scenes.map((scene, place) => [scene.id, place + 1]));
  const said = [
    dayText(outing.day),
    outing.place,
    outing.conditions,
    outing.light,
    outing.temperature_c != null && units["°C"].text(outing.temperature_c),
  ];
  return (
    <section aria-label={outing.title}>
      <Flex align="baseline" columnGap="4" wrap="wrap">
        <Box as="h2" fontSize="24px" lineHeight={1.2}>
          {outing.title}
        </Box>
        <Button
          variant="word"
          color="ink2"
          aria-label={`Change ${outing.title}`}
          onClick={() => plan("change")}
        >
          Change
        </Button>
        <Button
          variant="word"
          color="ink2"
          aria-label={`Revisit a scene on ${outing.title}`}
          onClick={() => plan("revisit")}
        >
          Revisit a scene
        </Button>
        <Button
          variant="word"
          color="ink2"
          aria-label={`Pack for ${outing.title}`}
          onClick={() => plan("pack")}
        >
          Pack
        </Button>
        <FileLink
          href={`/api/outings/${outing.id}/sheet.pdf${placed ? `?begin=${encodeURIComponent(begin)}` : ""}`}
          label={`Outing sheet of ${outing.title} (PDF)`}
        >
          Outing sheet (PDF)
        </FileLink>
      </Flex>
      <Quiet>{said.filter(Boolean).join(" · ")}</Quiet>
      {outing.note && <Box paddingTop="1">{outing.note}</Box>}
      {((drawn && drawn.made.length > 0) || light) && (
        <Box paddingTop="4">
          <DayThread
            made={drawn?.made ?? []}
            sky={light ? { light, begin, outingId: outing.id, places } : null}
          />
        </Box>
      )}
      {!placed && drawn && (
        <Button variant="word" color="ink2" fontSize="14px" onClick={() => plan("change")}>
          Say where it is for sun, moon and dusk
        </Button>
      )}
      <Box as="ol" marginTop="4" borderTop="1px solid" borderColor="line">
        {scenes.map((scene, place) => (
          <SceneRow
            key={scene.id}
            scene={scene}
            place={place + 1}
            slip={drawn?.slips[scene.id]}
            made={(drawn?.made ?? []).filter((each) => each.scene_id === scene.id)}
          />
        ))}
      </Box>
      <BeginScene outing={outing} first={scenes.length === 0} />
    </section>
  );
}

function BeginScene({ outing, first }: { outing: Outing; first: boolean }) {
  const [, navigate] = useLocation();
  const [id] = useState(newId);
  const [title, setTitle] = useState("");
  const { problem, write } = useWrite(() => navigate(`/scene/${id}`));
  const begin = (event: FormEvent) => {
    event.preventDefault();
    void write(beginScene(outing.id, id, title.trim()));
  };
  return (
    <Flex as="form" gap="3" align="flex-end" marginTop="4" maxWidth="560px" onSubmit={begin}>
      <Entry
        label={first ? "Begin the first scene: what is in front of you?" : "Next scene"}
        aria-label={first ? undefined : `Next scene on ${outing.title}`}
        placeholder="Tramway bridge, low sun"
        value={title}
        onText={setTitle}
        problem={problem?.message ?? null}
      />
      <Button type="submit" variant="main" aria-label={`Begin scene on ${outing.title}`}>
        Begin scene
      </Button>
    </Flex>
  );
}
