import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, Navigate, useParams } from "react-router";
import { outingsQuery } from "../../api/queries";
import { Notice } from "../../components/Notice";
import { RoomHeader } from "../../shared/RoomHeader";
import { OpenScene } from "./OpenScene";
import { sceneQuery } from "./queries";

const LAST = "emulsa-last-scene";

/** The scene that was open last, else the newest there is. */
export function LastScene() {
  const outings = useQuery(outingsQuery());
  if (!outings.data) return <RoomHeader title="Scene" />;
  const ids = outings.data.flatMap((each) => each.scenes.map((scene) => scene.id));
  const last = localStorage.getItem(LAST);
  const id =
    last && ids.includes(last)
      ? last
      : outings.data.find((each) => each.scenes.length)?.scenes.at(-1)?.id;
  if (id) return <Navigate to={`/scene/${id}`} replace />;
  return (
    <>
      <RoomHeader title="Scene" />
      <Box as="main" padding="6">
        There is no scene yet. <Link to="/outing">Begin one in an outing</Link>
      </Box>
    </>
  );
}

export function SceneRoom() {
  const { id = "" } = useParams();
  const view = useQuery(sceneQuery(id));
  useEffect(() => {
    if (view.data) localStorage.setItem(LAST, id);
  }, [view.data, id]);
  if (view.error) {
    return (
      <>
        <RoomHeader title="Scene" />
        <Box as="main" padding="6">
          <Notice tone="refusal">{view.error.message}</Notice>
          <Box paddingTop="4">
            <Link to="/outing">Back to the outing</Link>
          </Box>
        </Box>
      </>
    );
  }
  return <OpenScene key={id} id={id} view={view.data} />;
}
