import { Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import type { Refusal } from "../../api/refusal";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { History } from "../../shared/History";
import { useWrite } from "../../shared/useWrite";
import { deleteScene, type Scene } from "./queries";
import type { Change } from "./useKeeping";

/** The scene's title, what it shall show, its note; a scene nothing was exposed on can be deleted. */
export function TitleSheet({
  scene,
  exposed,
  edit,
  close,
}: {
  scene: Scene;
  exposed: boolean;
  edit: (change: Change) => Promise<void>;
  close: () => void;
}) {
  const navigate = useNavigate();
  const [title, setTitle] = useState(scene.title);
  const [note, setNote] = useState(scene.note);
  const [intention, setIntention] = useState(scene.intention);
  const { problem, setProblem, write } = useWrite();
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await edit([
        { kind: "name", title, note },
        { kind: "intend", intention },
      ]);
      close();
    } catch (refusal) {
      setProblem(refusal as Refusal);
    }
  };
  const remove = () => write(deleteScene(scene.id), { at_once: () => navigate("/outing") });
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
          <Button onClick={close}>Cancel</Button>
          <Button variant="main" type="submit" form="title">
            Save
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
          label="What the picture shall show"
          help="told again in the log, beside what the negative shows"
          multiline
          value={intention}
          onChange={(event) => setIntention(event.target.value)}
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
