import { Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Sheet } from "../../components/Sheet";
import { ZONES } from "../../components/zones";
import { readLine, type Scene } from "./queries";

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
            help="As on the line: 9 shade III"
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
      </Flex>
    </Sheet>
  );
}
