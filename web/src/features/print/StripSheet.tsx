import { Box, chakra, Flex, Grid, VisuallyHidden } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Small } from "../../components/text";
import { typedNumber } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { FlashPaper } from "./FlashPaper";
import { keepStrip, type PrintView, stripQuery } from "./queries";

/** A test strip: what to give as the card moves, and which of it is right. */
export function StripSheet({ view, close }: { view: PrintView; close: () => void }) {
  const { print } = view;
  const { plan } = print;
  const [part, setPart] = useState(plan.parts[0]?.id ?? "");
  const [kind, setKind] = useState<"linear" | "stops">("linear");
  const [step, setStep] = useState("3");
  const [first, setFirst] = useState("6");
  const [stops, setStops] = useState("0.5");
  const [strips, setStrips] = useState("6");
  const [chosen, setChosen] = useState<number | null>(null);
  const [note, setNote] = useState("");
  const asked: Schemas["StripRequest"] = {
    kind,
    step_s: kind === "linear" ? typedNumber(step) : null,
    first_s: kind === "stops" ? typedNumber(first) : null,
    step_stops: kind === "stops" ? typedNumber(stops) : null,
    strips: typedNumber(strips),
    lamp_lag_s: plan.lamp_lag_s,
    chosen,
  };
  const answer = useQuery(stripQuery(asked));
  const writing = useWrite(close);
  const found = answer.data;
  const before = plan.parts.slice(
    0,
    plan.parts.findIndex((each) => each.id === part),
  );
  const others = view.worked.rows.filter((row) => before.some((each) => each.id === row.id));
  return (
    <FormSheet
      title="Test strip"
      close={close}
      writing={writing}
      keep={() =>
        void writing.write(keepStrip(print.id, { id: newId(), part_id: part, strip: asked, note }))
      }
      says={chosen === null ? "Save strip" : "Use this time"}
      unready={!found}
      gap="0"
    >
      <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }} gap="4">
        <Choose
          label="Through"
          value={part}
          options={plan.parts.map((each) => ({ value: each.id, label: each.label }))}
          onChange={setPart}
        />
        <Choose
          label="Steps in"
          value={kind}
          options={[
            { value: "linear", label: "seconds" },
            { value: "stops", label: "stops" },
          ]}
          onChange={(to) => {
            setKind(to as "linear" | "stops");
            setChosen(null);
          }}
        />
        {kind === "linear" ? (
          <Entry label="Step, seconds" inputMode="decimal" value={step} onText={setStep} />
        ) : (
          <>
            <Entry
              label="First strip, seconds"
              inputMode="decimal"
              value={first}
              onText={setFirst}
            />
            <Entry label="Step, stops" inputMode="decimal" value={stops} onText={setStops} />
          </>
        )}
        <Entry
          label="Strips"
          inputMode="numeric"
          value={strips}
          onText={(text) => {
            setStrips(text);
            setChosen(null);
          }}
        />
      </Grid>
      {others.length > 0 && (
        <Box color="ink2" paddingTop="2">
          Give {others.map((each) => `${each.title} ${each.text}`).join(" and ")} to the whole paper
          first.
        </Box>
      )}
      {answer.error && (
        <Notice tone="refusal" live>
          {answer.error.message}
        </Notice>
      )}
      {found && (
        <Box paddingTop="4">
          <Small paddingBottom="2">
            Uncover strip after strip; after developing, touch the one that is right, or the gap
            between two.
          </Small>
          <Flex role="group" aria-label="Strips" gap="0" align="stretch" overflowX="auto">
            {found.strips.map((each, place) => {
              const shade = 235 - (205 * (place + 0.5)) / found.strips.length;
              const here = place + 1;
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: a strip is what its place is
                <Flex key={place} align="stretch" flex="1 0 auto">
                  {place > 0 && (
                    <chakra.button
                      type="button"
                      aria-label={`Between strip ${place} and ${here}`}
                      aria-pressed={chosen === place + 0.5}
                      width={{ base: "44px", md: "26px" }}
                      flexShrink={0}
                      cursor="pointer"
                      border="none"
                      background={chosen === place + 0.5 ? "accent" : "line"}
                      onClick={() => setChosen(place + 0.5)}
                    />
                  )}
                  <chakra.button
                    type="button"
                    flex="1 0 64px"
                    minHeight="110px"
                    cursor="pointer"
                    aria-pressed={chosen === here}
                    border="3px solid"
                    borderColor={chosen === here ? "accent" : "transparent"}
                    style={{
                      background: `rgb(${shade} ${shade} ${shade})`,
                      color: shade > 130 ? "#111" : "#fff",
                    }}
                    onClick={() => setChosen(here)}
                  >
                    <Box fontWeight={650}>{each.total_text}</Box>
                    <Box fontSize="13px">
                      give {each.give_text}
                      <VisuallyHidden> strip {here}</VisuallyHidden>
                    </Box>
                  </chakra.button>
                </Flex>
              );
            })}
          </Flex>
          <Box aria-live="polite" paddingTop="3" fontSize="17px">
            {found.base_text && `Base time ${found.base_text}`}
          </Box>
          <Entry label="Note" value={note} onText={setNote} maxLength={200} />
        </Box>
      )}
      {view.strips.length > 0 && (
        <Box paddingTop="5">
          <Box as="h3" fontSize="15px" fontWeight={600}>
            Strips so far
          </Box>
          <ul>
            {view.strips.map((each) => (
              <li key={each.id}>{each.says}</li>
            ))}
          </ul>
        </Box>
      )}
      <FlashPaper keep={(says) => setNote([note, says].filter(Boolean).join("; "))} />
    </FormSheet>
  );
}
