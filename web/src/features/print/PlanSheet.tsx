import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { newId } from "../../api/newId";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Fieldset } from "../../components/Fieldset";
import { Tick } from "../../components/Tick";
import { Small } from "../../components/text";
import { asTyped, typedNumber } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { type Part, type Print, type PrintView, putPrint } from "./queries";
import { SheetFields, sheetText, typedSheet } from "./SheetFields";

const MOST_PARTS = 8;

/** Paper, enlarger, parts and sheet of a plan, and the negative's densities. */
export function PlanSheet({ view, close }: { view: PrintView; close: () => void }) {
  const { print } = view;
  const { plan } = print;
  const kit = useQuery(kitQuery).data;
  const papers = offered(kit?.papers, plan.paper_id);
  const enlargers = offered(kit?.enlargers);
  const [title, setTitle] = useState(print.title);
  const [paperId, setPaperId] = useState(plan.paper_id ?? "");
  const [enlargerId, setEnlargerId] = useState(plan.enlarger_id ?? "");
  const [parts, setParts] = useState(
    plan.parts.map((each) => ({ ...each, text: asTyped(each.seconds) })),
  );
  const [text, setText] = useState({
    aperture: String(plan.setting.aperture),
    magnification: asTyped(plan.setting.magnification),
    lamp_lag_s: asTyped(plan.lamp_lag_s),
    drying_down: asTyped(plan.drying_down),
    ...sheetText(plan.sheet),
    low: asTyped(print.low),
    high: asTyped(print.high),
  });
  const [apart, setApart] = useState(plan.sheet.sides !== null);
  const [matted, setMatted] = useState(plan.sheet.mat !== null);
  const [positive, setPositive] = useState(print.positive);
  const writing = useWrite(close);
  const paper = papers.find((each) => each.id === paperId);
  const filter = paper?.filters.find((each) => each.label === parts[0]?.label);
  const wanted: Print = {
    ...print,
    title,
    positive,
    low: text.low ? typedNumber(text.low) : null,
    high: text.high ? typedNumber(text.high) : null,
    plan: {
      ...plan,
      paper_id: paperId || null,
      enlarger_id: enlargerId || null,
      setting: {
        ...plan.setting,
        aperture: text.aperture,
        magnification: typedNumber(text.magnification),
        paper_speed: filter?.speed ?? plan.setting.paper_speed,
      },
      parts: parts.map(
        ({ text: typed, ...part }): Part => ({ ...part, seconds: typedNumber(typed) }),
      ),
      areas: plan.areas.map((area) =>
        [...parts, ...plan.areas].some((each) => each.id === area.part) || area.part === "none"
          ? area
          : { ...area, part: parts[0]?.id ?? "none" },
      ),
      lamp_lag_s: typedNumber(text.lamp_lag_s),
      drying_down: typedNumber(text.drying_down),
      sheet: typedSheet(plan.sheet, text, apart, matted),
    },
  };
  const keep = (base: string) => void writing.write(putPrint(wanted, base));
  const field = (name: keyof typeof text, label: string, path: string, help?: string) => (
    <Entry
      label={label}
      {...(help ? { help } : {})}
      inputMode="decimal"
      value={text[name]}
      onText={(typed) => setText({ ...text, [name]: typed })}
      field={path}
    />
  );
  return (
    <FormSheet
      close={close}
      title="Plan of the print"
      writing={writing}
      keep={keep}
      base={view.version}
      mine={wanted}
      gap="5"
    >
      <Entry label="Title" value={title} onText={setTitle} field="title" />
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
        <Choose
          label="Paper"
          value={paperId}
          options={named(papers, "not chosen")}
          onChange={(id) => {
            setPaperId(id);
            const found = papers.find((each) => each.id === id);
            if (found) setText({ ...text, drying_down: String(found.drying_down) });
          }}
        />
        <Choose
          label="Enlarger"
          value={enlargerId}
          options={named(enlargers, "not chosen")}
          onChange={(id) => {
            setEnlargerId(id);
            const found = enlargers.find((each) => each.id === id);
            if (found) setText({ ...text, lamp_lag_s: String(found.lamp_lag_s) });
          }}
        />
        {field("aperture", "Aperture", "plan.setting.aperture")}
        {field("magnification", "Magnification", "plan.setting.magnification")}
        {field("lamp_lag_s", "Lamp lag, seconds", "plan.lamp_lag_s")}
        {field("drying_down", "Drying down, a share", "plan.drying_down", "0.06: 6 % off")}
      </Grid>
      <Fieldset legend="Parts of the base exposure">
        {parts.map((part, place) => (
          <Flex key={part.id} gap="3" align="flex-end" paddingTop="2">
            <Entry
              label={`Filter or grade of part ${place + 1}`}
              value={part.label}
              suggest={paper?.filters.map((each) => each.label) ?? []}
              onText={(text) =>
                setParts(
                  parts.map((each) => (each.id === part.id ? { ...each, label: text } : each)),
                )
              }
              field={`plan.parts.${place}.label`}
            />
            <Box width="110px">
              <Entry
                label={`Seconds of part ${place + 1}`}
                inputMode="decimal"
                value={part.text}
                onText={(typed) =>
                  setParts(
                    parts.map((each) => (each.id === part.id ? { ...each, text: typed } : each)),
                  )
                }
                field={`plan.parts.${place}.seconds`}
              />
            </Box>
            {parts.length > 1 && (
              <Button
                variant="quiet"
                aria-label={`Remove part ${place + 1}`}
                onClick={() => setParts(parts.filter((each) => each.id !== part.id))}
              >
                Remove
              </Button>
            )}
          </Flex>
        ))}
        {parts.length < MOST_PARTS && (
          <Box paddingTop="3">
            <Button
              onClick={() =>
                setParts([
                  ...parts,
                  {
                    id: newId(),
                    label: parts.length === 1 ? "Hard filter" : `Part ${parts.length + 1}`,
                    seconds: 10,
                    filter_factor: null,
                    text: "10",
                  },
                ])
              }
            >
              Add a part
            </Button>
          </Box>
        )}
      </Fieldset>
      <SheetFields
        field={field}
        apart={apart}
        setApart={setApart}
        matted={matted}
        setMatted={setMatted}
      />
      <Fieldset legend="The negative">
        <Small paddingBottom="2">{view.worked.wants}</Small>
        <Grid templateColumns="1fr 1fr" gap="4">
          {field("low", "Lowest density with texture", "low")}
          {field("high", "Highest density with texture", "high")}
        </Grid>
        <Tick on={positive} set={setPositive}>
          Picture is already positive
        </Tick>
      </Fieldset>
    </FormSheet>
  );
}
