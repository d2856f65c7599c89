import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { sourcesQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Ledger } from "../../components/Ledger";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { Quiet, Small } from "../../components/text";
import { type Slip, ToneSlip } from "../../shared/drawn/ToneSlip";
import type { Group } from "../../shared/runs";
import { useWrite } from "../../shared/useWrite";
import { AS_PLANNED, decide } from "./queries";

/** So many pieces of a group are in sight at once; a season's film is not drawn to be scrolled past. */
const FEW = 12;

/** Film that belongs together: its time, how that came about, and the way into a run. */
export function GroupPanel({
  group,
  slips,
  stale,
  refused,
  begin,
  decideOn,
  send,
}: {
  group: Group;
  /** how its sheets are drawn, by exposure */
  slips: Record<string, Slip>;
  stale: boolean;
  /** why the room has no times, said once at the temperature */
  refused: string;
  begin: () => void;
  decideOn: () => void;
  /** it is developed elsewhere */
  send: () => void;
}) {
  const { time } = group;
  const [all, setAll] = useState(false);
  const own = group.choice.minutes != null;
  const { write, problem, busy } = useWrite();
  const sources = useQuery(sourcesQuery).data ?? {};
  const what = [group.film_name, group.n_text, group.sheets[0]?.where].join(" ");
  const pieces = group.sheets.flatMap((each) => each.piece_ids);
  const hold = (hold_highlights: boolean) =>
    write(
      decide({
        piece_ids: pieces,
        choice: { ...group.choice, minutes: null, plain_n: false, hold_highlights },
        weight: null,
      }),
    );
  return (
    <Box
      as="section"
      aria-label={`${group.film_name} ${group.n_text}`}
      borderTop="2px solid"
      borderColor="ink"
      paddingTop="3"
    >
      <Flex justify="space-between" align="baseline" gap="4">
        <Box as="h2" fontSize="19px">
          {group.film_name} · {group.n_text}
        </Box>
        <Quiet>{group.count_text}</Quiet>
      </Flex>
      <Quiet>{group.recipe_name}</Quiet>
      {time ? (
        <>
          <Flex align="baseline" gap="3" paddingBlock="2" opacity={stale ? 0.45 : 1}>
            <Box fontSize="38px" fontWeight={620} lineHeight={1.1} whiteSpace="nowrap" data-minutes>
              {time.minutes_text}
            </Box>
            <Quiet>
              {own
                ? "your own"
                : [
                    group.choice.plain_n && "plain N",
                    group.choice.hold_highlights && "for the high values as exposed",
                    time.origin,
                  ]
                    .filter(Boolean)
                    .join(", ")}
            </Quiet>
          </Flex>
          {own && (
            <Box color={time.off_text === "on target" ? "ink2" : "ochre"} fontWeight={550}>
              High values {time.off_text}
            </Box>
          )}
          {!own && group.choice.reason && <Small>Decided: {group.choice.reason}</Small>}
          {time.beside.map((each) => (
            <Small key={`${each.origin} ${each.who}`}>
              {each.minutes_text} {each.origin}
              {each.who && `, ${each.who}`}
            </Small>
          ))}
          <Ledger
            rows={time.ledger.map((row) => ({
              key: row.step,
              label: row.label,
              amount: row.factor_text,
              running: row.minutes_text,
              why: row.why,
              source: sources[row.source] ?? row.source,
            }))}
          />
          <Flex direction="column" gap="2" paddingTop="2">
            {time.offer?.shown && (
              <Notice tone="note">
                {time.offer.text}{" "}
                <Button variant="word" disabled={busy} onClick={() => hold(true)}>
                  Develop for it
                </Button>
              </Notice>
            )}
            {group.choice.hold_highlights && (
              <Button
                variant="word"
                alignSelf="flex-start"
                disabled={busy}
                onClick={() => hold(false)}
              >
                Back to {group.n_text}, as planned
              </Button>
            )}
            {time.advice.map((each) => (
              <Notice key={each.code} tone={each.severity}>
                {each.text}
              </Notice>
            ))}
          </Flex>
        </>
      ) : (
        <Box paddingBlock="2">
          {group.problem === refused ? (
            <Quiet>No time at this temperature</Quiet>
          ) : (
            <Notice tone="caution">{group.problem}</Notice>
          )}
        </Box>
      )}
      <Box as="ul" paddingTop="3">
        {(all ? group.sheets : group.sheets.slice(0, FEW)).map((sheet) => (
          <Flex as="li" key={sheet.exposure_id} gap="3" paddingBlock="1.5" align="baseline">
            <Box fontWeight={650} minWidth="36px">
              {sheet.where}
            </Box>
            <Box flex="1">
              <Link to={`/scene/${sheet.scene_id}`}>{sheet.scene_title}</Link>
              <Small>{[sheet.set_text, sheet.part_text].filter(Boolean).join(", ")}</Small>
            </Box>
            {slips[sheet.exposure_id] && (
              <Box flexShrink={0} alignSelf="center">
                <ToneSlip slip={slips[sheet.exposure_id] as Slip} width={112} />
              </Box>
            )}
          </Flex>
        ))}
      </Box>
      {!all && group.sheets.length > FEW && (
        <Button variant="word" onClick={() => setAll(true)}>
          and {group.sheets.length - FEW} more
        </Button>
      )}
      {group.others.map((other) => (
        <Box key={other.recipe_id} paddingBlock="2" fontSize="15px">
          Or {other.says}{" "}
          <Button
            variant="word"
            disabled={busy}
            onClick={() =>
              write(
                decide({
                  piece_ids: pieces,
                  choice: { ...AS_PLANNED, recipe_id: other.recipe_id },
                  weight: null,
                }),
              )
            }
          >
            Use this recipe
          </Button>
        </Box>
      ))}
      <Flex gap="3" paddingTop="2" wrap="wrap">
        <Button
          variant="main"
          aria-label={`Add to run: ${what}`}
          onClick={begin}
          disabled={group.needs_reason}
        >
          Add to run
        </Button>
        {(group.n !== 0 || group.sheets.some((each) => each.error_stops !== 0)) &&
          group.recipe_id !== null &&
          !group.needs_reason && (
            <Button
              disabled={busy}
              aria-label={`${group.choice.plain_n ? `Back to ${group.n_text}` : "Develop at N"}: ${what}`}
              onClick={() =>
                write(
                  decide({
                    piece_ids: pieces,
                    choice: {
                      ...group.choice,
                      minutes: null,
                      hold_highlights: false,
                      plain_n: !group.choice.plain_n,
                    },
                    weight: null,
                  }),
                )
              }
            >
              {group.choice.plain_n ? `Back to ${group.n_text}` : "Develop at N"}
            </Button>
          )}
        <Button
          aria-label={`${group.needs_reason ? "Use this recipe or choose another" : "Change development"}: ${what}`}
          onClick={decideOn}
        >
          {group.needs_reason ? "Use this recipe or choose another" : "Change development"}
        </Button>
        <Button variant="quiet" aria-label={`Send to a laboratory: ${what}`} onClick={send}>
          Send to a laboratory
        </Button>
      </Flex>
      <Problem of={problem} />
    </Box>
  );
}
