import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { Link, Redirect, useLocation, useParams } from "wouter";
import { outingsQuery } from "../../api/queries";
import { Notice } from "../../components/Notice";
import { RoomHeader } from "../../shared/RoomHeader";
import { OpenScene } from "./OpenScene";
import { sceneQuery, unbegun } from "./queries";
import { sceneKeeper } from "./useKeeping";

const LAST = "emulsa-last-scene";

/** The scene of the address; without one that which was open last, else the newest there is. Where
    there is none at all, one that begins with the first reading. */
export function SceneRoom() {
  const { id } = useParams();
  const [fresh] = useState(unbegun);
  const outings = useQuery({ ...outingsQuery(), enabled: !id });
  const view = useQuery({ ...sceneQuery(id ?? fresh.scene.id), enabled: Boolean(id) });
  const [, navigate] = useLocation();
  const shown = id ?? fresh.scene.id;
  const keeper = useMemo(() => sceneKeeper(shown), [shown]);
  const begun = !id && Boolean(view.data);
  useEffect(() => {
    if (id && view.data) localStorage.setItem(LAST, id);
    if (begun) navigate(`/scene/${fresh.scene.id}`, { replace: true });
  }, [id, view.data, begun, fresh, navigate]);
  if (!id && !begun) {
    if (!outings.data) return <RoomHeader title="Scene" />;
    const ids = outings.data.flatMap((each) => each.scenes.map((scene) => scene.id));
    const last = localStorage.getItem(LAST);
    const newest = outings.data.find((each) => each.scenes.length)?.scenes.at(-1)?.id;
    const open = last && ids.includes(last) ? last : newest;
    if (open) return <Redirect to={`/scene/${open}`} replace />;
  }
  if (id && view.error) {
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
  return (
    <OpenScene
      key={shown}
      keeper={keeper}
      view={view.data ?? (id ? undefined : fresh)}
      ready={shown === fresh.scene.id}
    />
  );
}
