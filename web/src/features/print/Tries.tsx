import { Box, Flex, Grid } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { dayText } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { useWrite } from "../../shared/useWrite";
import { type Print, type PrintView, printAgain } from "./queries";

type Try = Print["tries"][number];

/** Every print that was made: what it showed, what came next, which is the final one. */
export function Tries({
  view,
  tries,
  change,
  flush,
  mark,
  rework,
  look,
}: {
  view: PrintView;
  tries: Try[];
  change: (edit: (before: Print) => Print) => void;
  flush: () => Promise<boolean>;
  mark: (number: number) => void;
  rework: () => void;
  /** the print whose marks stand on the picture */
  look: (number: number | null) => void;
}) {
  const [open, setOpen] = useState<number | null>(null);
  const { write, problem, busy } = useWrite();
  const edit = (number: number, to: Partial<Try>) =>
    change((before) => ({
      ...before,
      tries: before.tries.map((each) =>
        each.number === number
          ? { ...each, ...to }
          : to.final
            ? { ...each, final: false } // one of them is the final one
            : each,
      ),
    }));
  const changed = (number: number) =>
    view.worked.tries[view.print.tries.findIndex((each) => each.number === number)] ?? [];
  const again = async (number: number) => {
    if (await flush()) await write(printAgain(view.print.id, number));
  };
  return (
    <Box as="section" aria-label="Prints made">
      <Grid templateColumns="repeat(auto-fill, minmax(170px, 1fr))" gap="3">
        {tries.map((each) => (
          <Box
            key={each.number}
            borderTop={each.final ? "3px solid" : "1px solid"}
            borderColor={each.final ? "accent" : "line"}
            paddingTop="2"
          >
            <Box
              as="button"
              width="100%"
              textAlign="left"
              background="transparent"
              border="none"
              cursor="pointer"
              aria-expanded={open === each.number}
              onClick={() => {
                const now = open === each.number ? null : each.number;
                setOpen(now);
                look(now);
              }}
            >
              <b>
                Print {each.number}
                {each.final && ", final"}
              </b>
              <Box color="ink2" fontSize="14px">
                {[each.says, ...each.marks.map((one) => one.says), each.next_time]
                  .filter(Boolean)
                  .join("; ") || "not judged"}
              </Box>
            </Box>
          </Box>
        ))}
        <Box borderTop="3px solid" borderColor="accent" background="accentSoft" padding="2">
          <b>Print {(tries.at(-1)?.number ?? 0) + 1}, planned</b>
          <Box>
            <Button variant="word" onClick={rework}>
              New paper or size
            </Button>
          </Box>
        </Box>
      </Grid>
      {tries
        .filter((each) => each.number === open)
        .map((each) => (
          <Box as="section" key={each.number} aria-label={`Print ${each.number}`} paddingTop="4">
            <Flex direction="column" gap="3">
              {each.at && <Box color="ink2">{dayText(each.at.slice(0, 10))}</Box>}
              {changed(each.number).length > 0 && (
                <Box>Beside the print before: {changed(each.number).join("; ")}.</Box>
              )}
              <Entry
                label="What it shows"
                value={each.says}
                onChange={(event) => edit(each.number, { says: event.target.value })}
              />
              <Entry
                label="What to do next"
                value={each.next_time}
                onChange={(event) => edit(each.number, { next_time: event.target.value })}
              />
              <Flex gap="2" wrap="wrap" align="center">
                <Button onClick={() => mark(each.number)}>Mark a place</Button>
                {each.marks.length > 0 && (
                  <Button variant="quiet" onClick={() => edit(each.number, { marks: [] })}>
                    Remove marks
                  </Button>
                )}
                <Button disabled={busy} onClick={() => void again(each.number)}>
                  Print this again
                </Button>
                <Flex as="label" gap="2" align="center" minHeight="44px">
                  <input
                    type="checkbox"
                    checked={each.final}
                    onChange={(event) => edit(each.number, { final: event.target.checked })}
                  />
                  the final print
                </Flex>
              </Flex>
              {each.final && (
                <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="3">
                  {(
                    [
                      ["edition", "Edition"],
                      ["toning", "Toning"],
                      ["developer", "Developer"],
                      ["hangs", "Where it hangs"],
                    ] as const
                  ).map(([name, label]) => (
                    <Entry
                      key={name}
                      label={label}
                      maxLength={80}
                      value={each[name]}
                      onChange={(event) => edit(each.number, { [name]: event.target.value })}
                    />
                  ))}
                </Grid>
              )}
              {each.final && each.toning && (
                <Box color="ochre" fontSize="14px">
                  Selenium and other toners: gloves and fresh air, never mixed with acid.
                </Box>
              )}
            </Flex>
          </Box>
        ))}
      <Problem of={problem} />
    </Box>
  );
}
