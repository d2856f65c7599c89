import { useState } from "react";
import { useLocation } from "wouter";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { FormSheet } from "../../shared/FormSheet";
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
  const [, navigate] = useLocation();
  const [title, setTitle] = useState(scene.title);
  const [note, setNote] = useState(scene.note);
  const [intention, setIntention] = useState(scene.intention);
  const writing = useWrite();
  const { write, ask } = writing;
  const keep = async () => {
    const named = { kind: "name", title, note } as const;
    if (await ask(() => edit([named, { kind: "intend", intention }]).then(() => true))) close();
  };
  const remove = () => write(deleteScene(scene.id), { at_once: () => navigate("/outing") });
  return (
    <FormSheet
      close={close}
      title="Scene"
      writing={writing}
      keep={keep}
      beside={
        <>
          {!exposed && (
            <Button variant="quiet" color="brick" onClick={remove}>
              Delete scene
            </Button>
          )}
          <History id={scene.id} after={close} />
        </>
      }
    >
      <Entry label="Title" value={title} onText={setTitle} field="title" />
      <Entry
        label="What the picture shall show"
        help="told again in the log, beside what the negative shows"
        multiline
        value={intention}
        onText={setIntention}
        field="intention"
      />
      <Entry label="Note" multiline value={note} onText={setNote} field="note" />
    </FormSheet>
  );
}
