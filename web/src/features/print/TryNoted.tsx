import { Box, Flex, Grid } from "@chakra-ui/react";
import { type RefObject, useCallback, useEffect, useMemo } from "react";
import { Button } from "../../components/Button";
import { dayOf } from "../../components/days";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Tick } from "../../components/Tick";
import { Quiet } from "../../components/text";
import { Conflict } from "../../shared/Conflict";
import { useWrite } from "../../shared/useWrite";
import { noteTry, printAgain, type Try, type TryNotes } from "./queries";
import { useDraft } from "./useDraft";
import type { Marker } from "./useTouches";

const KEPT = [
  ["edition", "Edition"],
  ["toning", "Toning"],
  ["developer", "Developer"],
  ["hangs", "Where it hangs"],
] as const;

/** A print that was made: what it showed, what to do next, what became of it. */
export function TryNoted({
  print_id,
  tried,
  flush: flushPlan,
  mark,
  marker,
}: {
  print_id: string;
  tried: Try;
  /** the plan as it is being changed, kept first */
  flush: () => Promise<boolean>;
  mark: ((try_id: string) => void) | null;
  marker: RefObject<Marker | null>;
}) {
  const put = useCallback(
    (notes: TryNotes, base: string) => noteTry(print_id, tried.id, notes, base),
    [print_id, tried.id],
  );
  const stored = useMemo(() => ({ value: tried.notes, version: tried.version }), [tried]);
  const { draft, change, flush, problem, keepMine, takeTheirs } = useDraft(stored, put);
  const again = useWrite();
  const edit = (to: Partial<TryNotes>) => change((before) => ({ ...before, ...to }));
  useEffect(() => {
    marker.current = (at, says) =>
      change((before) => ({ ...before, marks: [...before.marks, { ...at, says }] }));
    return () => {
      marker.current = null;
    };
  }, [marker, change]);
  return (
    <Box as="section" aria-label={`Print ${tried.number}`} paddingTop="4">
      <Flex direction="column" gap="3">
        {tried.at && <Quiet>{dayOf(tried.at)}</Quiet>}
        {tried.changed.length > 0 && (
          <Box>Changed since the print before: {tried.changed.join("; ")}.</Box>
        )}
        <Entry label="What it shows" value={draft.says} onText={(text) => edit({ says: text })} />
        <Entry
          label="What to do next"
          value={draft.next_time}
          onText={(text) => edit({ next_time: text })}
        />
        <Flex gap="2" wrap="wrap" align="center">
          {mark && <Button onClick={() => mark(tried.id)}>Mark a place</Button>}
          {draft.marks.length > 0 && (
            <Button variant="quiet" onClick={() => edit({ marks: [] })}>
              Remove marks
            </Button>
          )}
          {mark && (
            <Button
              disabled={again.busy}
              onClick={async () => {
                if ((await flushPlan()) && (await flush()))
                  await again.write(printAgain(print_id, tried.id));
              }}
            >
              Use this plan again
            </Button>
          )}
          <Tick on={draft.final} set={(on) => edit({ final: on })}>
            the final print
          </Tick>
        </Flex>
        {draft.final && (
          <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="3">
            {KEPT.map(([name, label]) => (
              <Entry
                key={name}
                label={label}
                maxLength={80}
                value={draft[name]}
                onText={(text) => edit({ [name]: text })}
              />
            ))}
          </Grid>
        )}
        {draft.final && draft.toning && (
          <Box color="ochre" fontSize="14px">
            Selenium and other toners: gloves and fresh air, never mixed with acid.
          </Box>
        )}
        <Problem of={problem ?? again.problem} />
        <Conflict problem={problem} mine={draft} keep={keepMine} take={takeTheirs} />
      </Flex>
    </Box>
  );
}
