import { Flex } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { api, type Refusal, unwrap } from "../../api/client";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { History } from "../../components/History";
import { Sheet } from "../../components/Sheet";
import type { Scene } from "./queries";

/** The scene's title and note; a scene nothing was exposed on can be deleted. */
export function TitleSheet({
  scene,
  exposed,
  save,
  close,
}: {
  scene: Scene;
  exposed: boolean;
  save: (scene: Scene) => Promise<void>;
  close: () => void;
}) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [title, setTitle] = useState(scene.title);
  const [note, setNote] = useState(scene.note);
  const [problem, setProblem] = useState<Refusal | null>(null);
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await save({ ...scene, title, note });
      close();
    } catch (refusal) {
      setProblem(refusal as Refusal);
    }
  };
  const remove = async () => {
    try {
      await unwrap(api.DELETE("/api/scenes/{id}", { params: { path: { id: scene.id } } }));
      navigate("/outing");
      await client.invalidateQueries();
    } catch (refusal) {
      setProblem(refusal as Refusal);
    }
  };
  return (
    <Sheet
      open
      close={close}
      title="Scene"
      footer={
        <>
          {!exposed && (
            <Button variant="quiet" color="brick" onClick={remove}>
              Delete scene
            </Button>
          )}
          <History id={scene.id} after={close} />
          <Button onClick={close}>Close</Button>
          <Button variant="main" type="submit" form="title">
            Keep
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="title" onSubmit={keep}>
        <Entry
          label="Title"
          value={title}
          onChange={(event) => setTitle(event.target.value)}
          problem={problem?.field === "note" ? null : problem?.message}
        />
        <Entry
          label="Note"
          multiline
          value={note}
          onChange={(event) => setNote(event.target.value)}
          problem={problem?.field === "note" ? problem.message : null}
        />
      </Flex>
    </Sheet>
  );
}
