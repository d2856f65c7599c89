import { memo } from "react";
import { Button } from "../../components/Button";
import { AddPicture } from "./AddPicture";
import type { Open } from "./SceneDialogs";
import type { WordProps } from "./words/props";
import { Sentence } from "./words/Sentence";

/** The scene's settings, and what stands behind a word: drawn anew when they change, not while a pin
    is dragged. */
export const Settings = memo(function Settings({
  pictureless,
  behind,
  open,
  ...words
}: WordProps & { pictureless: boolean; behind: boolean; open: (what: Open) => void }) {
  return (
    <Sentence {...words}>
      {pictureless && <AddPicture sceneId={words.scene.id} />}
      {!words.scene.pinhole_id && (
        <Button variant="word" onClick={() => open("focus")}>
          Focus and movements
        </Button>
      )}
      {behind && (
        <>
          <Button variant="word" onClick={() => open("ledger")}>
            How it adds up
          </Button>
          <Button variant="word" onClick={() => open("ways")}>
            Other ways
          </Button>
        </>
      )}
    </Sentence>
  );
});
