import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link, useParams } from "wouter";
import { Notice } from "../../../components/Notice";
import { RoomHeader } from "../../../shared/RoomHeader";
import { OpenScene, type Practised } from "../OpenScene";
import { ExposePractised } from "./ExposePractised";
import { Looks } from "./Looks";
import { useMinutes } from "./Minutes";
import { type PractisedView, practisedKeeper, practisedQuery } from "./queries";
import { VerdictView } from "./VerdictView";

/** A simulated scene: the Scene room over it, and once it is exposed what became of it. */
export function PractisedRoom() {
  const { id = "" } = useParams();
  const found = useQuery(practisedQuery(id));
  if (found.error)
    return (
      <>
        <RoomHeader title="Practice" />
        <Box as="main" padding="6">
          <Notice tone="refusal">{found.error.message}</Notice>
          <Box paddingTop="4">
            <Link to="/practice">Back to practice</Link>
          </Box>
        </Box>
      </>
    );
  if (!found.data) return <RoomHeader title="Practice" />;
  const { verdict } = found.data;
  if (verdict) return <VerdictView practised={found.data} verdict={verdict} />;
  return <Outdoors key={id} practised={found.data} />;
}

/** In front of the scene. */
function Outdoors({ practised }: { practised: PractisedView }) {
  const { id } = practised;
  const keeper = useMemo(() => practisedKeeper(id), [id]);
  const time = useMinutes(Math.max(0, ...practised.spots.map((each) => each.minutes)));
  const simulated: Practised = {
    looks: (edit) => <Looks practised={practised} time={time} edit={edit} />,
    sub: practised.by_hand ? "practice, sums by hand" : "practice",
    byHand: practised.by_hand,
    expose: (solution, close) => (
      <ExposePractised
        practised={practised}
        solution={solution}
        minutes={time.minutes}
        close={close}
      />
    ),
  };
  return <OpenScene keeper={keeper} view={practised.view} ready={false} practised={simulated} />;
}
