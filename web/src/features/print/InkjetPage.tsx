import { Box, Flex, Grid } from "@chakra-ui/react";
import { useRef } from "react";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { Notice } from "../../components/Notice";
import { Problem } from "../../components/Problem";
import { asTyped, typedNumber } from "../../components/typedNumber";
import { Conflict } from "../../shared/Conflict";
import { printMade } from "../../shared/prints";
import { RoomHeader } from "../../shared/RoomHeader";
import { useLatest } from "../../shared/useLatest";
import { useWrite } from "../../shared/useWrite";
import { DeletePrint } from "./DeletePrint";
import { draw, type Print, type PrintView, putPrint } from "./queries";
import { Tries } from "./Tries";
import { useDraft } from "./useDraft";
import type { Marker } from "./useTouches";

const LARGEST = 420; // px

/** A print from the scan: its sheet with the white border, and every print that was made. */
export function InkjetPage({
  view,
  inkjet,
}: {
  view: PrintView;
  inkjet: NonNullable<Print["inkjet"]>;
}) {
  const stored = { value: view.print, version: view.version };
  const { draft, change, flush, problem, keepMine, takeTheirs } = useDraft(stored, putPrint);
  const asKept = draft === view.print;
  const changed = useLatest(asKept ? null : draft, draw);
  const drawn = (asKept ? view : (changed ?? view)).inkjet;
  const marker = useRef<Marker | null>(null);
  const making = useWrite();
  const now = draft.inkjet ?? inkjet;
  const edit = (to: Partial<typeof now>) =>
    change((before) => ({ ...before, inkjet: { ...now, ...before.inkjet, ...to } }));
  const size = (name: "width_mm" | "height_mm" | "border_mm", label: string) => (
    <Entry
      label={label}
      inputMode="decimal"
      defaultValue={asTyped(inkjet[name])}
      onText={(text) => edit({ [name]: typedNumber(text) })}
    />
  );
  return (
    <>
      <RoomHeader title={draft.title} sub={`${view.negative_text}, by inkjet`} />
      <Box as="main" flex="1" overflow="auto" padding={{ base: "4", md: "6" }}>
        <Flex gap="8" wrap="wrap" align="flex-start" paddingBottom="6">
          {drawn && <OnSheet drawn={drawn} inkjet={inkjet} picture={view.negative.picture_id} />}
          <Flex direction="column" gap="4" flex="1 1 280px" maxWidth="420px">
            {drawn && <Box aria-live="polite">{drawn.text}</Box>}
            {drawn?.trouble && <Notice tone="caution">{drawn.trouble}</Notice>}
            <Entry
              label="Title"
              value={draft.title}
              onText={(text) => change((before) => ({ ...before, title: text }))}
            />
            <Entry
              label="Paper"
              value={now.paper}
              maxLength={80}
              onText={(text) => edit({ paper: text })}
            />
            <Grid templateColumns="1fr 1fr 1fr" gap="3">
              {size("width_mm", "Width, mm")}
              {size("height_mm", "Height, mm")}
              {size("border_mm", "White border, mm")}
            </Grid>
            <Problem of={problem ?? making.problem} />
            <Conflict problem={problem} mine={draft} keep={keepMine} take={takeTheirs} />
            <Box>
              <Button
                variant="main"
                disabled={making.busy || Boolean(view.full_text)}
                onClick={async () => {
                  if (await flush()) await making.write(printMade(view.print.id, null, []));
                }}
              >
                Save print
              </Button>
            </Box>
          </Flex>
        </Flex>
        <Flex direction="column" gap="6">
          <Tries
            view={view}
            flush={flush}
            mark={null}
            marker={marker}
            rework={null}
            look={() => undefined}
          />
          <DeletePrint print={draft} />
        </Flex>
      </Box>
    </>
  );
}

/** The image on its sheet, to scale. */
function OnSheet({
  drawn,
  inkjet,
  picture,
}: {
  drawn: NonNullable<PrintView["inkjet"]>;
  inkjet: NonNullable<Print["inkjet"]>;
  picture: string | null;
}) {
  const [width, height] = [
    drawn.image_width_mm + 2 * drawn.side_mm,
    drawn.image_height_mm + 2 * drawn.top_mm,
  ];
  const scale = LARGEST / Math.max(width, height);
  return (
    <svg
      width={width * scale}
      height={height * scale}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`The image on its sheet${inkjet.paper ? `, ${inkjet.paper}` : ""}, to scale`}
      style={{ border: "1px solid var(--chakra-colors-ink)", background: "#fff", maxWidth: "100%" }}
    >
      {picture ? (
        <image
          href={`/api/attachments/${picture}/view`}
          x={drawn.side_mm}
          y={drawn.top_mm}
          width={drawn.image_width_mm}
          height={drawn.image_height_mm}
        />
      ) : (
        <rect
          x={drawn.side_mm}
          y={drawn.top_mm}
          width={drawn.image_width_mm}
          height={drawn.image_height_mm}
          fill="#999"
        />
      )}
    </svg>
  );
}
