import { useEffect, useRef, useState } from "react";
import { act } from "../../api/acts";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { useWrite } from "../../shared/useWrite";

const KINDS = "image/jpeg,image/png,image/tiff,.jpg,.jpeg,.png,.tif,.tiff";

/** A photograph for the scene: taken or chosen, dropped or pasted anywhere on it. */
export function AddPicture({ sceneId }: { sceneId: string }) {
  const { problem, write, busy } = useWrite();
  const [share, setShare] = useState<number | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const send = async (file: File | undefined) => {
    if (!file || busy) return;
    setShare(0);
    await write(
      act("attachments_attach", {
        path: { id: newId() },
        query: { scene_id: sceneId, name: file.name || "picture" },
        body: file,
      }),
      { progress: setShare },
    );
    setShare(null);
  };
  const latest = useRef(send);
  latest.current = send;
  useEffect(() => {
    const picture = (data: DataTransfer | null) =>
      [...(data?.files ?? [])].find((each) => each.type.startsWith("image/"));
    const over = (event: DragEvent) => event.preventDefault();
    const dropped = (event: DragEvent) => {
      event.preventDefault();
      void latest.current(picture(event.dataTransfer));
    };
    const pasted = (event: ClipboardEvent) => {
      const file = picture(event.clipboardData);
      if (!file) return;
      event.preventDefault();
      void latest.current(file);
    };
    window.addEventListener("dragover", over);
    window.addEventListener("drop", dropped);
    window.addEventListener("paste", pasted);
    return () => {
      window.removeEventListener("dragover", over);
      window.removeEventListener("drop", dropped);
      window.removeEventListener("paste", pasted);
    };
  }, []);
  return (
    <>
      <Button
        variant="word"
        disabled={share !== null}
        title="Take or choose one, or drop or paste it here"
        onClick={() => chooser.current?.click()}
      >
        Add picture
      </Button>
      {share !== null && <progress max={1} value={share} aria-label="Adding the picture" />}
      <input
        ref={chooser}
        type="file"
        accept={KINDS}
        hidden
        aria-label="A picture of the scene"
        onChange={({ target }) => {
          const [file] = [...(target.files ?? [])];
          target.value = "";
          void send(file);
        }}
      />
      <Problem of={problem} />
    </>
  );
}
