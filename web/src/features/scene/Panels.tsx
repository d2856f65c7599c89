import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { memo, useState } from "react";
import { sourcesQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Ledger } from "../../components/Ledger";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import type { Answer, Edit, ExposureView, Solution } from "./queries";

type Fix = Solution["fixes"][number];

/** How the exposure adds up. */
export const ExposureLedger = memo(function ExposureLedger({
  answer,
  fixes,
  take,
}: {
  answer: Answer;
  fixes: Fix[];
  take: (edits: Edit[]) => void;
}) {
  const sources = useQuery(sourcesQuery).data ?? {};
  const rows = answer.ledger
    .filter((row) => row.step !== "set")
    .map((row, place) => ({
      key: `${place}-${row.step}`,
      label: row.label,
      amount: row.stops_text,
      running: row.time_text,
      why: row.why,
      source: sources[row.source] ?? row.source,
      more: <Fixes of={fixes.filter((fix) => fix.about === row.step)} take={take} />,
    }));
  return (
    <>
      <Ledger rows={rows} />
      {answer.development.why && (
        <Box fontSize="13px" color="ink2" paddingTop="1" marginBottom="13px" data-n-why>
          {answer.development.why}
        </Box>
      )}
    </>
  );
});

/** What one touch would take up or undo. */
function Fixes({ of: fixes, take }: { of: Fix[]; take: (edits: Edit[]) => void }) {
  if (!fixes.length) return null;
  return (
    <Flex as="span" columnGap="4" wrap="wrap">
      {fixes.map((fix) => (
        <Button key={fix.label} variant="word" fontSize="14px" onClick={() => take(fix.edits)}>
          {fix.label}
        </Button>
      ))}
    </Flex>
  );
}

/** The result: the largest thing on the screen. */
export function Result({ answer, small }: { answer: Answer; small?: boolean }) {
  const { set } = answer;
  const long = set.text.length > 7;
  return (
    <Flex
      align="baseline"
      gap={small ? "2" : "3"}
      aria-live="polite"
      data-result
      lineHeight={1.05}
      whiteSpace="nowrap"
    >
      <Box as="span" fontSize={small ? "26px" : "30px"} color="ink2">
        {set.aperture}
      </Box>
      <Box
        as="span"
        fontSize={long ? (small ? "32px" : "38px") : small ? "48px" : "50px"}
        fontWeight={620}
        letterSpacing="-0.01em"
      >
        {set.text}
      </Box>
    </Flex>
  );
}

export function ErrorOfSetting({ answer }: { answer: Answer }) {
  const row = answer.ledger[answer.ledger.length - 1];
  return <Small title={row?.why}>{answer.set.says}</Small>;
}

export function DevelopmentText({ solution }: { solution: Solution }) {
  const plan = solution.answer?.development;
  if (!plan) return null;
  const time = solution.development;
  return (
    <Box>
      Develop <b>{[plan.n_text, plan.doubt_text].filter(Boolean).join(" ")}</b>
      {time && ` · ${time.minutes_text}`}
      {time && <Small as="span"> {time.origin}</Small>}
    </Box>
  );
}

/** What is sharp as the lens is set, when depth or movement was said. */
export function SharpnessText({ solution }: { solution: Solution }) {
  const text = solution.answer?.sharpness?.text ?? solution.corners;
  if (!text) return null;
  return (
    <Small lineHeight={1.3}>
      {text[0]?.toUpperCase()}
      {text.slice(1)}
    </Small>
  );
}

export const AdviceList = memo(function AdviceList({
  solution,
  most,
  take,
}: {
  solution: Solution;
  most: number;
  take: (edits: Edit[]) => void;
}) {
  const [all, setAll] = useState(false);
  const fixable = new Set(solution.fixes.map((fix) => fix.about));
  const said = [
    ...(solution.answer?.advice ?? []),
    ...solution.aged,
    ...(solution.development?.advice ?? []).filter(
      (each) => each.severity !== "note" || fixable.has(each.code),
    ),
  ];
  const { offer } = solution.development ?? {};
  if (offer?.shown) said.push({ code: "offer", severity: "note", text: offer.text });
  if (solution.development_problem) {
    said.push({ code: "no-recipe", severity: "note", text: solution.development_problem });
  }
  if (solution.lacking) {
    said.unshift({
      code: "school-lacks",
      severity: "caution",
      text: `${solution.lacking[0]?.toUpperCase()}${solution.lacking.slice(1)}; until then the first reading stands on V.`,
    });
  }
  return (
    <Flex direction="column" gap="2">
      {said.slice(0, all ? said.length : most).map((each) => (
        <Notice key={`${each.code} ${each.text}`} tone={each.severity}>
          {each.text}
          <Fixes of={solution.fixes.filter((fix) => fix.about === each.code)} take={take} />
        </Notice>
      ))}
      {!all && said.length > most && (
        <Button variant="word" alignSelf="flex-start" onClick={() => setAll(true)}>
          {said.length - most} more
        </Button>
      )}
    </Flex>
  );
});

/** The same exposure at the lens's other marks; touching one sets it. */
export const Alternatives = memo(function Alternatives({
  answer,
  aperture,
  choose,
  narrow,
}: {
  answer: Answer;
  aperture: string | number | null | undefined;
  choose: (aperture: string) => void;
  narrow?: boolean;
}) {
  const across = narrow ? 4 : answer.equivalents.length;
  return (
    <Grid
      templateColumns={`repeat(${across}, minmax(0, 1fr))`}
      borderTop="1px solid"
      borderColor="line"
      role="group"
      aria-label="The same exposure at other apertures"
    >
      {answer.equivalents.map((pair) => {
        const chosen = String(aperture) === pair.aperture;
        const out = pair.ruled_out_text;
        return (
          <Box
            as="button"
            key={pair.aperture}
            aria-pressed={chosen}
            onClick={() => choose(pair.aperture)}
            display="flex"
            flexDirection="column"
            alignItems="flex-start"
            textAlign="left"
            padding="2"
            minHeight="76px"
            border="none"
            borderRight="1px solid"
            borderColor="line"
            cursor="pointer"
            background={chosen ? "accentSoft" : "transparent"}
            boxShadow={chosen ? "inset 0 3px 0 var(--chakra-colors-accent)" : "none"}
            color={out ? "ink2" : "ink"}
            lineHeight={1.35}
          >
            <span>f/{pair.aperture}</span>
            <span>{pair.text}</span>
            {pair.error_text && (
              <Box fontSize="12.5px" color="ink2" lineHeight={1.2}>
                {pair.error_text}
              </Box>
            )}
            <Box fontSize="12.5px" color="ink2" lineHeight={1.2}>
              {out || (chosen ? "chosen" : pair.best ? "depth at its best" : "")}
            </Box>
          </Box>
        );
      })}
    </Grid>
  );
});

/** What was exposed on this scene. */
/** What the negatives of the scene this one goes back to showed. */
export function ShowedBefore({ showed }: { showed: string[] }) {
  if (!showed.length) return null;
  return <Notice tone="note">Last time: {[...new Set(showed)].join("; ")}</Notice>;
}

export const Exposed = memo(function Exposed({
  views,
  cost,
  open,
}: {
  views: ExposureView[];
  /** what the film of these exposures cost, when its price is known */
  cost: string;
  open: (view: ExposureView) => void;
}) {
  if (!views.length) return null;
  return (
    <Box>
      <Box as="h2" fontSize="13px" fontWeight={600} color="ink2">
        Exposed here{cost && `, ${cost} of film`}
      </Box>
      <Flex wrap="wrap" columnGap="4">
        {views.map((view) => (
          <Button key={view.id} variant="word" fontSize="14px" onClick={() => open(view)}>
            {[view.where, view.set_text, view.n_text, view.part_text].filter(Boolean).join(" · ")}
          </Button>
        ))}
      </Flex>
    </Box>
  );
});
