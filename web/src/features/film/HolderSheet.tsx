import { Box, Flex } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import type { Refusal, Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { deleteHolder, putHolder, unloadSides } from "./queries";

type Side = Schemas["SideView"];

/** A holder: what each side tells, its number, a note, and taking film out again. */
export function HolderSheet({ view, close }: { view: Schemas["HolderView"]; close: () => void }) {
  const client = useQueryClient();
  const [number, setNumber] = useState(String(view.holder.number));
  const [note, setNote] = useState(view.holder.note ?? "");
  const [problem, setProblem] = useState<Refusal | null>(null);
  const act = async (call: Promise<unknown>) => {
    try {
      await call;
      await client.invalidateQueries();
      close();
    } catch (refusal) {
      setProblem(refusal as Refusal);
    }
  };
  const keep = (event: FormEvent) => {
    event.preventDefault();
    void act(putHolder({ ...view.holder, number: Number(number), note }));
  };
  const empty = view.sides.every((side) => side.state === "empty");
  return (
    <Sheet
      open
      close={close}
      title={`Holder ${view.holder.number}`}
      footer={
        <>
          {empty && (
            <Button variant="quiet" color="brick" onClick={() => act(deleteHolder(view.holder.id))}>
              Take off the board
            </Button>
          )}
          <Button onClick={close}>Close</Button>
          <Button variant="main" type="submit" form="holder">
            Keep
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="holder" onSubmit={keep}>
        {view.sides.map((side) => (
          <Flex
            key={side.side}
            justify="space-between"
            align="center"
            gap="4"
            borderBottom="1px solid"
            borderColor="line"
            paddingBottom="3"
          >
            <Box>
              <b>Side {side.side}</b> · <Story side={side} />
            </Box>
            {side.state === "loaded" && (
              <Button onClick={() => act(unloadSides(side.where))} type="button">
                Unload
              </Button>
            )}
          </Flex>
        ))}
        <Entry
          label="Number"
          inputMode="numeric"
          value={number}
          onChange={(event) => setNumber(event.target.value)}
          problem={problem?.field === "number" ? problem.message : null}
        />
        <Entry
          label="Note"
          value={note}
          onChange={(event) => setNote(event.target.value)}
          problem={problem?.field === "note" ? problem.message : null}
        />
        {problem && !["number", "note"].includes(problem.field ?? "") && (
          <Box role="alert" color="brick" fontWeight={550}>
            {problem.message}
          </Box>
        )}
      </Flex>
    </Sheet>
  );
}

function Story({ side }: { side: Side }) {
  if (side.state === "empty") return <>empty; load it below the board</>;
  if (side.state === "loaded") return <>{side.film_name}, unexposed</>;
  return (
    <>
      {side.film_name}, exposed on <Link to={`/scene/${side.scene_id}`}>{side.scene_title}</Link>,{" "}
      {side.n_text}
    </>
  );
}
