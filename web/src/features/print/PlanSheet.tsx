import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { FormFooter } from "../../components/FormFooter";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Tick } from "../../components/Tick";
import { asTyped, typedIn, typedNumber } from "../../components/typedNumber";
import { BEGUN } from "../../service/service";
import { Conflict } from "../../shared/Conflict";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { type Part, type Print, type PrintView, putPrint } from "./queries";

const MOST_PARTS = 8;

/** What the mask covers, in per cent, as it is typed. */
const covered = (mask: Schemas["EaselMask"]) => ({
  left: asTyped(100 * mask.left),
  right: asTyped(100 * mask.right),
  top: asTyped(100 * mask.top),
  bottom: asTyped(100 * mask.bottom),
});

/** What is left on each side, as it is typed; begun with what is left all around. */
const sides = ({ sides, margin_mm }: Schemas["PaperSheet"]) => ({
  left_mm: asTyped(sides?.left_mm ?? margin_mm),
  right_mm: asTyped(sides?.right_mm ?? margin_mm),
  top_mm: asTyped(sides?.top_mm ?? margin_mm),
  bottom_mm: asTyped(sides?.bottom_mm ?? margin_mm),
});

/** The mat as it is typed. */
const mat = (known: Schemas["Mat"] | null) => {
  const { width_mm, height_mm, free_mm, lower_mm } = known ?? BEGUN.mat;
  return {
    mat_width_mm: asTyped(width_mm),
    mat_height_mm: asTyped(height_mm),
    free_mm: asTyped(free_mm),
    lower_mm: asTyped(lower_mm),
  };
};

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
    width_mm: asTyped(plan.sheet.width_mm),
    height_mm: asTyped(plan.sheet.height_mm),
    image_long_mm: asTyped(plan.sheet.image_long_mm),
    margin_mm: asTyped(plan.sheet.margin_mm),
    black_edge_mm: asTyped(plan.sheet.black_edge_mm),
    black_edge_s: asTyped(plan.sheet.black_edge_s),
    ...sides(plan.sheet),
    ...mat(plan.sheet.mat),
    ...covered(plan.sheet.mask),
    low: asTyped(print.low),
    high: asTyped(print.high),
  });
  const [apart, setApart] = useState(plan.sheet.sides !== null);
  const [matted, setMatted] = useState(plan.sheet.mat !== null);
  const [positive, setPositive] = useState(print.positive);
  const { write, problem, busy, at, take } = useWrite(close);
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
      sheet: {
        ...plan.sheet,
        width_mm: typedNumber(text.width_mm),
        height_mm: typedNumber(text.height_mm),
        image_long_mm: typedNumber(text.image_long_mm),
        margin_mm: typedNumber(text.margin_mm),
        black_edge_mm: typedNumber(text.black_edge_mm),
        black_edge_s: typedNumber(text.black_edge_s),
        sides: apart
          ? {
              left_mm: typedNumber(text.left_mm),
              right_mm: typedNumber(text.right_mm),
              top_mm: typedNumber(text.top_mm),
              bottom_mm: typedNumber(text.bottom_mm),
            }
          : null,
        mat: matted
          ? {
              width_mm: typedNumber(text.mat_width_mm),
              height_mm: typedNumber(text.mat_height_mm),
              free_mm: typedNumber(text.free_mm),
              lower_mm: typedNumber(text.lower_mm),
            }
          : null,
        mask: {
          left: typedIn(text.left, "%"),
          right: typedIn(text.right, "%"),
          top: typedIn(text.top, "%"),
          bottom: typedIn(text.bottom, "%"),
        },
      },
    },
  };
  const keep = (base: string) => void write(putPrint(wanted, base));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep(view.version);
  };
  const field = (name: keyof typeof text, label: string, path: string, help?: string) => (
    <Entry
      label={label}
      {...(help ? { help } : {})}
      inputMode="decimal"
      value={text[name]}
      onChange={(event) => setText({ ...text, [name]: event.target.value })}
      problem={at(path)}
    />
  );
  return (
    <Sheet
      open
      close={close}
      title="Plan of the print"
      footer={
        <FormFooter close={close} form="print-plan" disabled={busy}>
          Save
        </FormFooter>
      }
    >
      <Flex as="form" id="print-plan" direction="column" gap="5" onSubmit={submit}>
        <Entry
          label="Title"
          value={title}
          onChange={(event) => setTitle(event.target.value)}
          problem={at("title")}
        />
        <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="4">
          <Choose
            label="Paper"
            value={paperId}
            options={[
              { value: "", label: "not chosen" },
              ...papers.map((each) => ({ value: each.id, label: each.name })),
            ]}
            onChange={(id) => {
              setPaperId(id);
              const found = papers.find((each) => each.id === id);
              if (found) setText({ ...text, drying_down: String(found.drying_down) });
            }}
          />
          <Choose
            label="Enlarger"
            value={enlargerId}
            options={[
              { value: "", label: "not chosen" },
              ...enlargers.map((each) => ({ value: each.id, label: each.name })),
            ]}
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
        <Box as="fieldset">
          <Box as="legend" fontSize="14px" color="ink2">
            Parts of the base exposure
          </Box>
          {parts.map((part, place) => (
            <Flex key={part.id} gap="3" align="flex-end" paddingTop="2">
              <Entry
                label={`Filter or grade of part ${place + 1}`}
                value={part.label}
                suggest={paper?.filters.map((each) => each.label) ?? []}
                onChange={(event) =>
                  setParts(
                    parts.map((each) =>
                      each.id === part.id ? { ...each, label: event.target.value } : each,
                    ),
                  )
                }
                problem={at(`plan.parts.${place}.label`)}
              />
              <Box width="110px">
                <Entry
                  label={`Seconds of part ${place + 1}`}
                  inputMode="decimal"
                  value={part.text}
                  onChange={(event) =>
                    setParts(
                      parts.map((each) =>
                        each.id === part.id ? { ...each, text: event.target.value } : each,
                      ),
                    )
                  }
                  problem={at(`plan.parts.${place}.seconds`)}
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
        </Box>
        <Box as="fieldset">
          <Box as="legend" fontSize="14px" color="ink2" paddingBottom="2">
            The sheet
          </Box>
          <Grid templateColumns="1fr 1fr" gap="4">
            {field("width_mm", "Width, mm", "plan.sheet.width_mm")}
            {field("height_mm", "Height, mm", "plan.sheet.height_mm")}
            {field("image_long_mm", "Longer side of the image, mm", "plan.sheet.image_long_mm")}
            {!apart && field("margin_mm", "Mounting margin, mm", "plan.sheet.margin_mm")}
            {field("black_edge_mm", "Black border by flash, mm", "plan.sheet.black_edge_mm")}
            {field("black_edge_s", "Flash of the border, s", "plan.sheet.black_edge_s")}
          </Grid>
          <Tick on={apart} set={setApart}>
            Margins of their own on each side
          </Tick>
          {apart && (
            <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr 1fr" }} gap="4">
              {field("left_mm", "Left, mm", "plan.sheet.sides.left_mm")}
              {field("right_mm", "Right, mm", "plan.sheet.sides.right_mm")}
              {field("top_mm", "Top, mm", "plan.sheet.sides.top_mm")}
              {field("bottom_mm", "Bottom, mm", "plan.sheet.sides.bottom_mm")}
            </Grid>
          )}
          <Tick on={matted} set={setMatted}>
            Shown in a mat
          </Tick>
          {matted && (
            <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr 1fr" }} gap="4">
              {field("mat_width_mm", "Mat width, mm", "plan.sheet.mat.width_mm")}
              {field("mat_height_mm", "Mat height, mm", "plan.sheet.mat.height_mm")}
              {field(
                "free_mm",
                "White left free, mm",
                "plan.sheet.mat.free_mm",
                "below 0 it covers",
              )}
              {field("lower_mm", "Wider below by, mm", "plan.sheet.mat.lower_mm")}
            </Grid>
          )}
          <Box fontSize="14px" color="ink2" paddingTop="4" paddingBottom="2">
            What the easel’s mask covers of the picture, %
          </Box>
          <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr 1fr" }} gap="4">
            {field("left", "Left, %", "plan.sheet.mask.left")}
            {field("right", "Right, %", "plan.sheet.mask.right")}
            {field("top", "Top, %", "plan.sheet.mask.top")}
            {field("bottom", "Bottom, %", "plan.sheet.mask.bottom")}
          </Grid>
        </Box>
        <Box as="fieldset">
          <Box as="legend" fontSize="14px" color="ink2" paddingBottom="2">
            The negative
          </Box>
          <Box fontSize="14px" color="ink2" paddingBottom="2">
            {view.worked.wants}
          </Box>
          <Grid templateColumns="1fr 1fr" gap="4">
            {field("low", "Lowest density with texture", "low")}
            {field("high", "Highest density with texture", "high")}
          </Grid>
          <Tick on={positive} set={setPositive}>
            Picture is already positive
          </Tick>
        </Box>
        <Problem of={problem} />
        <Conflict problem={problem} mine={wanted} keep={keep} take={take} />
      </Flex>
    </Sheet>
  );
}
