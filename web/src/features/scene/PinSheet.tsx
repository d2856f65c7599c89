import { Flex, Grid } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { ZONES } from "../../components/zones";
import { readLine, type Scene } from "./queries";

const SUBJECTS = [
  { value: "", label: "by its name" },
  { value: "blue_sky", label: "blue sky" },
  { value: "foliage", label: "foliage" },
  { value: "skin", label: "skin" },
  { value: "red_rock", label: "red rock, rust" },
  { value: "snow_in_shade", label: "snow in shade" },
];

/** One reading: take it again, name it, place it, make it the important highlight, or drop it. */
export function PinSheet({
  scene,
  id,
  line,
  high,
  save,
  close,
}: {
  scene: Scene;
  id: string;
  line: string;
  high: string | null;
  save: (scene: Scene) => Promise<void>;
  close: () => void;
}) {
  const [text, setText] = useState(line);
  const [problem, setProblem] = useState<string | null>(null);
  const target = scene.high?.reading === id ? scene.high.zone : high === id ? 8 : null;
  const keep = async (next: Scene) => {
    try {
      await save(next);
      close();
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  const retake = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await keep((await readLine(scene, text, id)).scene);
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  const without = (): Scene => ({
    ...scene,
    readings: scene.readings.filter((each) => each.id !== id),
    pin: scene.pin?.reading === id ? null : scene.pin,
    high: scene.high?.reading === id ? null : scene.high,
    low: scene.low === id ? null : scene.low,
  });
  const taken = scene.readings.find((each) => each.id === id);
  const mark = (change: Partial<Scene["readings"][number]>) =>
    keep({
      ...scene,
      readings: scene.readings.map((each) => (each.id === id ? { ...each, ...change } : each)),
    });
  return (
    <Sheet
      open
      close={close}
      title="Reading"
      footer={
        <>
          <Button variant="quiet" color="brick" onClick={() => keep(without())}>
            Remove
          </Button>
          <Button onClick={close}>Close</Button>
          <Button variant="main" type="submit" form="retake">
            Keep
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4">
        <form id="retake" onSubmit={retake}>
          <Entry
            label="Reading and name"
            help="As on the line: 9 shade III; several joined by + are averaged"
            value={text}
            onChange={(event) => setText(event.target.value)}
            problem={problem}
          />
        </form>
        <Choose
          label="Important highlight, wanted on"
          value={target === null ? "" : String(target)}
          options={[
            { value: "", label: target === null ? "not this one" : "let the brightest decide" },
            ...[6, 6.5, 7, 7.5, 8, 8.5, 9].map((zone) => ({
              value: String(zone),
              label: `${ZONES[Math.floor(zone)]}${zone % 1 ? "½" : ""}`,
            })),
            ...(target !== null && ![6, 6.5, 7, 7.5, 8, 8.5, 9].includes(target)
              ? [{ value: String(target), label: `as dragged (${target})` }]
              : []),
          ]}
          onChange={(value) =>
            keep({
              ...scene,
              n: null,
              high: value === "" ? null : { reading: id, zone: Number(value) },
            })
          }
        />
        <Grid templateColumns="1fr 1fr" gap="4">
          <Choose
            label="Read how"
            value={taken?.incident ? "incident" : taken?.through ? "through" : "spot"}
            options={[
              { value: "spot", label: "a spot" },
              { value: "through", label: "through the filters" },
              { value: "incident", label: "the light itself" },
            ]}
            onChange={(value) =>
              mark({ incident: value === "incident", through: value === "through" })
            }
          />
          <Choose
            label="Under the graduated filter"
            value={taken?.graduated ? "yes" : "no"}
            options={[
              { value: "no", label: "no" },
              { value: "yes", label: "yes" },
            ]}
            onChange={(value) => mark({ graduated: value === "yes" })}
          />
          <Choose
            label="Colour of the subject"
            value={taken?.subject ?? ""}
            options={SUBJECTS}
            onChange={(value) => mark({ subject: value as never })}
          />
          <Choose
            label="Important shadow"
            value={scene.low === id ? "yes" : "no"}
            options={[
              { value: "no", label: scene.low === id ? "let the darkest decide" : "not this one" },
              { value: "yes", label: "this one" },
            ]}
            onChange={(value) => keep({ ...scene, low: value === "yes" ? id : null })}
          />
        </Grid>
      </Flex>
    </Sheet>
  );
}
