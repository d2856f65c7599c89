import { Flex, Grid } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/calls";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { OFFERED } from "../../service/service";
import { readLine, type Scene } from "./queries";
import type { Change } from "./useKeeping";

const UNSAID = { incident: null, through: null, graduated: null, subject: null };

/** One reading: take it again, name it, place it, make it the important highlight, or drop it. */
export function PinSheet({
  scene,
  id,
  line,
  said,
  high,
  noN,
  edit,
  close,
}: {
  scene: Scene;
  id: string;
  line: string;
  /** the reading in words, with the ISO it belongs to */
  said: string;
  noN: string;
  high: string | null;
  edit: (change: Change) => Promise<void>;
  close: () => void;
}) {
  const [text, setText] = useState(line);
  const [problem, setProblem] = useState<string | null>(null);
  const target = scene.high?.reading === id ? scene.high.zone : high === id ? 8 : null;
  const keep = async (change: Change) => {
    try {
      await edit(change);
      close();
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  const retake = (event: FormEvent) => {
    event.preventDefault();
    void keep((latest) => readLine(latest, text, id));
  };
  const taken = scene.readings.find((each) => each.id === id);
  const describe = (change: Partial<Schemas["Describe"]>) =>
    keep([{ ...UNSAID, ...change, kind: "describe", id }]);
  return (
    <Sheet
      open
      close={close}
      title="Reading"
      footer={
        <>
          <Button variant="quiet" color="brick" onClick={() => keep([{ kind: "drop", id }])}>
            Remove
          </Button>
          <Button onClick={close}>Cancel</Button>
          <Button variant="main" type="submit" form="retake">
            Save
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <form id="retake" onSubmit={retake}>
          <Entry
            label="Reading and name"
            help={`Read as ${said}. As on the line: 9 shade III; several joined by + are averaged`}
            value={text}
            onText={setText}
            problem={problem}
          />
        </form>
        {!noN && (
          <Choose
            label="Important highlight, print zone"
            value={target === null ? "" : String(target)}
            options={[
              { value: "", label: target === null ? "not this one" : "let the brightest decide" },
              ...OFFERED.print_zones,
              ...(target !== null &&
              !OFFERED.print_zones.some(({ value }) => Number(value) === target)
                ? [{ value: String(target), label: "as dragged" }]
                : []),
            ]}
            onChange={(value) =>
              keep([
                { kind: "mark_high", reading: value === "" ? null : id, zone: Number(value || 8) },
              ])
            }
          />
        )}
        <Grid templateColumns="1fr 1fr" gap="4">
          <Choose
            label="Reading type"
            value={taken?.incident ? "incident" : taken?.through ? "through" : "spot"}
            options={[
              { value: "spot", label: "spot" },
              { value: "through", label: "through the filters" },
              { value: "incident", label: "incident" },
            ]}
            onChange={(value) =>
              describe({ incident: value === "incident", through: value === "through" })
            }
          />
          <Choose
            label="Under the graduated filter"
            value={taken?.graduated ? "yes" : "no"}
            options={[
              { value: "no", label: "no" },
              { value: "yes", label: "yes" },
            ]}
            onChange={(value) => describe({ graduated: value === "yes" })}
          />
          <Choose
            label="Colour of the subject"
            value={taken?.subject ?? ""}
            options={OFFERED.subjects}
            onChange={(value) => describe({ subject: value as Schemas["Describe"]["subject"] })}
          />
          <Choose
            label="Important shadow"
            value={scene.low === id ? "yes" : "no"}
            options={[
              { value: "no", label: scene.low === id ? "let the darkest decide" : "not this one" },
              { value: "yes", label: "this one" },
            ]}
            onChange={(value) => keep([{ kind: "mark_low", reading: value === "yes" ? id : null }])}
          />
        </Grid>
      </Flex>
    </Sheet>
  );
}
