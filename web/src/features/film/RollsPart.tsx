import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { rollsQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { Empty } from "../../components/Empty";
import { Notice } from "../../components/Notice";
import { FilmRoom } from "./FilmRoom";
import { LoadRoll } from "./LoadRoll";
import { RollPanel } from "./RollPanel";

/** Every roll with its frames, latest first. */
export function RollsPart() {
  const rolls = useQuery(rollsQuery);
  const [loading, setLoading] = useState(false);
  return (
    <FilmRoom
      first="roll_120"
      sub={rolls.data && count(rolls.data.length, "roll")}
      actions={<Button onClick={() => setLoading(true)}>Load a roll</Button>}
    >
      {rolls.error && (
        <Notice tone="warning" live>
          {rolls.error.message}
        </Notice>
      )}
      {rolls.data?.length === 0 && (
        <Empty title="No rolls yet.">
          Load one into a camera or a back; its frames are then offered when you expose, and one
          development is chosen for all of them, or for each strip you cut.
        </Empty>
      )}
      {rolls.data?.map((view) => (
        <RollPanel key={view.roll.id} view={view} />
      ))}
      {loading && <LoadRoll close={() => setLoading(false)} />}
    </FilmRoom>
  );
}
