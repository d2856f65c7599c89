import { Box, Grid } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { count } from "../../components/count";
import { Entry } from "../../components/Entry";
import { typedRows } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { type FilmTest, proofQuery, takePaper } from "./queries";
import { useVersionsAtFirst } from "./useVersionsAtFirst";

const TABLETS = OFFERED.targets.filter((each) => each.value.endsWith("tablet"));
const FEWEST = 5;

/** A paper measured: a step tablet printed by contact, its reflection densities read. */
export function PaperCheck({ close }: { close: () => void }) {
  const papers = offered(useQuery(kitQuery).data?.papers);
  const versionOf = useVersionsAtFirst();
  const [paperId, setPaperId] = useState("");
  const [label, setLabel] = useState("");
  const [target, setTarget] = useState<NonNullable<FilmTest["target"]>>("21-step tablet");
  const [own, setOwn] = useState("");
  const [text, setText] = useState("");
  const paper = papers.find((each) => each.id === paperId) ?? papers[0];
  const filter = label || paper?.filters[0]?.label || "";
  // how many there are is seen while they are typed; what they are is the core's
  const many = text.split(/[\s;]+/).filter(Boolean).length;
  const proof = {
    paper_id: paper?.id ?? "",
    label: filter,
    target,
    tablet: target === "own tablet" ? typedRows<number>(own) : [],
    densities: typedRows<number>(text),
  };
  const found = useQuery({
    ...proofQuery(proof),
    enabled: many >= FEWEST,
    placeholderData: keepPreviousData,
  });
  const writing = useWrite(close);
  return (
    <FormSheet
      title="Measure a paper"
      close={close}
      writing={writing}
      keep={() => void writing.write(takePaper(proof, versionOf(paper?.id)))}
      says="Use for this paper"
      unready={!found.data || Boolean(found.error) || many < FEWEST}
    >
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
        <Choose
          label="Paper"
          value={paper?.id ?? ""}
          options={named(papers)}
          onChange={(id) => {
            setPaperId(id);
            setLabel("");
          }}
        />
        <Entry
          label="Filter or grade"
          value={filter}
          suggest={paper?.filters.map((each) => each.label) ?? []}
          maxLength={80}
          onText={setLabel}
        />
        <Choose
          label="Tablet"
          value={target}
          options={TABLETS}
          onChange={(value) => setTarget(value as typeof target)}
        />
      </Grid>
      {target === "own tablet" && (
        <Entry label="Densities of the tablet" multiline rows={2} value={own} onText={setOwn} />
      )}
      <Entry
        label="Reflection densities"
        help="from paper white to black: behind the densest step first"
        multiline
        rows={8}
        value={text}
        onText={setText}
        problem={many >= FEWEST ? (found.error?.message ?? null) : null}
      />
      <Box aria-live="polite">
        {many > 0 && `${count(many, "density", "densities")}. `}
        {found.data && !found.error && many >= FEWEST && found.data.says}
      </Box>
    </FormSheet>
  );
}
