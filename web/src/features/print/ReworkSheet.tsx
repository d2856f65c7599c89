import { Box, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { typedNumber } from "../../components/typedNumber";
import { FormSheet } from "../../shared/FormSheet";
import { useWrite } from "../../shared/useWrite";
import { type PrintView, reworkQuery, useRework as takeRework } from "./queries";

/** The same print at another size, aperture, on another paper, or of another negative. */
export function ReworkSheet({ view, close }: { view: PrintView; close: () => void }) {
  const { print } = view;
  const before = print.plan.setting;
  const papers = useQuery(kitQuery).data?.papers ?? [];
  const [paperId, setPaperId] = useState(print.plan.paper_id ?? "");
  const [text, setText] = useState({
    aperture: String(before.aperture),
    magnification: String(before.magnification),
    paper_speed: String(before.paper_speed),
    filter_factor: String(before.filter_factor),
    base_fog: String(before.base_fog),
    lamp_mm: String(before.lamp_mm ?? ""),
  });
  const wanted = {
    setting: {
      aperture: text.aperture,
      magnification: typedNumber(text.magnification),
      paper_speed: typedNumber(text.paper_speed),
      filter_factor: typedNumber(text.filter_factor),
      base_fog: typedNumber(text.base_fog),
      lamp_mm: text.lamp_mm.trim() ? typedNumber(text.lamp_mm) : null,
    },
    paper_id: paperId || null,
  };
  const found = useQuery({
    ...reworkQuery(print, wanted),
    placeholderData: keepPreviousData,
  });
  const writing = useWrite(close);
  const field = (name: keyof typeof text, label: string) => (
    <Entry
      label={label}
      inputMode="decimal"
      value={text[name]}
      onText={(typed) => setText({ ...text, [name]: typed })}
    />
  );
  const { data } = found;
  return (
    <FormSheet
      title="New paper or size"
      close={close}
      writing={writing}
      keep={() => void writing.write(takeRework(print.id, wanted))}
      says="Rework every time"
      unready={Boolean(found.error)}
      gap="0"
    >
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
        <Choose
          label="Paper"
          value={paperId}
          options={named(papers, "as before")}
          onChange={(id) => {
            setPaperId(id);
            const paper = papers.find((each) => each.id === id);
            const same = paper?.filters.find((each) => each.label === print.plan.parts[0]?.label);
            const filter = same ?? paper?.filters[0];
            if (filter) setText({ ...text, paper_speed: String(filter.speed) });
          }}
        />
        {field("aperture", "Aperture")}
        {field("magnification", "Magnification")}
        {field("paper_speed", "Paper speed")}
        {field("filter_factor", "Filter factor")}
        {field("base_fog", "Base plus fog of the negative")}
        {field("lamp_mm", "Contact print: lamp over it, mm")}
      </Grid>
      {found.error && (
        <Notice tone="refusal" live>
          {found.error.message}
        </Notice>
      )}
      {data && !found.error && (
        <Box paddingTop="4" aria-live="polite">
          <Box
            as="table"
            aria-label="Why every time changes"
            css={{ "& td": { paddingRight: "16px" } }}
          >
            <tbody>
              {data.causes.map((each) => (
                <tr key={each.label}>
                  <td>{each.label}</td>
                  <td>{each.text}</td>
                </tr>
              ))}
            </tbody>
          </Box>
          <Box fontSize="20px" paddingTop="2">
            {data.view.worked.base_text} {data.view.worked.burned_text}
          </Box>
          <ul>
            {data.view.worked.rows.map((each) => (
              <li key={each.id}>
                {each.title}: {each.text}
              </li>
            ))}
          </ul>
          {data.view.worked.advice.map((each) => (
            <Notice key={each} tone="caution">
              {each}
            </Notice>
          ))}
        </Box>
      )}
    </FormSheet>
  );
}
