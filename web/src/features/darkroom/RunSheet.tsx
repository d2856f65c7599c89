import { Box, Flex, Grid } from "@chakra-ui/react";
import { type FormEvent, useRef, useState } from "react";
import { newId } from "../../api/client";
import { Button } from "../../components/Button";
import { dayText, today } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { typedNumber } from "../../components/typedNumber";
import { useWrite } from "../../components/useWrite";
import { beginRun, type Group } from "./queries";

const FIELDS = ["run.name", "run.minutes", "run.temperature_c", "name"];

/** Which of a group goes into one run, for how long and how warm. */
export function RunSheet({
  group,
  degrees_c,
  close,
}: {
  group: Group;
  degrees_c: number;
  close: () => void;
}) {
  const id = useRef(newId());
  const [left, setLeft] = useState<string[]>([]);
  const [name, setName] = useState(`${group.film_name} ${group.n_text}, ${dayText(today())}`);
  const [minutes, setMinutes] = useState(
    group.time ? String(Math.round(group.time.minutes * 100) / 100) : "",
  );
  const [degrees, setDegrees] = useState(String(Math.round(degrees_c * 10) / 10));
  const { problem, write, busy, at } = useWrite(close);
  const chosen = group.sheets.filter((each) => !left.includes(each.exposure_id));
  const begin = (event: FormEvent) => {
    event.preventDefault();
    void write(() =>
      beginRun({
        run: {
          id: id.current,
          name,
          recipe_id: group.recipe_id,
          n: group.n,
          minutes: minutes.trim() ? typedNumber(minutes) : null,
          temperature_c: degrees.trim() ? typedNumber(degrees) : null,
          tank_id: null,
          line_id: null,
          went: null,
          begun_at: "",
          developed_at: "",
          note: "",
        },
        piece_ids: chosen.flatMap((each) => each.piece_ids),
      }),
    );
  };
  return (
    <Sheet
      open
      close={close}
      title={`Run: ${group.film_name}, ${group.n_text}`}
      footer={
        <>
          <Button onClick={close}>Not yet</Button>
          <Button variant="main" type="submit" form="run" disabled={busy || chosen.length === 0}>
            Put {chosen.length} into the run
          </Button>
        </>
      }
    >
      <Flex direction="column" gap="4" as="form" id="run" onSubmit={begin}>
        <Box as="fieldset">
          <Box as="legend" fontSize="14px" color="ink2">
            As many as your tank or tray holds
          </Box>
          {group.sheets.map((each) => (
            <Box
              as="label"
              key={each.exposure_id}
              display="flex"
              alignItems="center"
              gap="3"
              minHeight="44px"
              borderBottom="1px solid"
              borderColor="line"
            >
              <input
                type="checkbox"
                checked={!left.includes(each.exposure_id)}
                onChange={(event) =>
                  setLeft(
                    event.target.checked
                      ? left.filter((one) => one !== each.exposure_id)
                      : [...left, each.exposure_id],
                  )
                }
              />
              <b>{each.where}</b> {each.scene_title}
            </Box>
          ))}
        </Box>
        <Entry
          label="Name"
          value={name}
          onChange={(event) => setName(event.target.value)}
          problem={at("run.name") ?? at("name")}
        />
        <Grid templateColumns="1fr 1fr" gap="4">
          <Entry
            label="Minutes in the developer"
            inputMode="decimal"
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
            problem={at("run.minutes")}
          />
          <Entry
            label="Temperature, °C"
            inputMode="decimal"
            value={degrees}
            onChange={(event) => setDegrees(event.target.value)}
            problem={at("run.temperature_c")}
          />
        </Grid>
        <Problem of={problem} fields={FIELDS} />
      </Flex>
    </Sheet>
  );
}
