import { Grid } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Schemas } from "../../api/calls";
import { Fieldset } from "../../components/Fieldset";
import { Tick } from "../../components/Tick";
import { Small } from "../../components/text";
import { asTyped, typedIn, typedNumber } from "../../components/typedNumber";
import { BEGUN } from "../../service/service";

type PaperSheet = Schemas["PaperSheet"];

/** How the image lies on its sheet, as it is typed. */
export const sheetText = (sheet: PaperSheet) => ({
  width_mm: asTyped(sheet.width_mm),
  height_mm: asTyped(sheet.height_mm),
  image_long_mm: asTyped(sheet.image_long_mm),
  margin_mm: asTyped(sheet.margin_mm),
  black_edge_mm: asTyped(sheet.black_edge_mm),
  black_edge_s: asTyped(sheet.black_edge_s),
  ...sides(sheet),
  ...mat(sheet.mat),
  ...covered(sheet.mask),
});

export type SheetText = ReturnType<typeof sheetText>;

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

/** The sheet that was typed: margins of their own, and a mat, where they are wanted. */
export const typedSheet = (
  before: PaperSheet,
  text: SheetText,
  apart: boolean,
  matted: boolean,
): PaperSheet => ({
  ...before,
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
});

/** Paper, image, margins, mat and mask. */
export function SheetFields({
  field,
  apart,
  setApart,
  matted,
  setMatted,
}: {
  field: (name: keyof SheetText, label: string, path: string, help?: string) => ReactNode;
  apart: boolean;
  setApart: (apart: boolean) => void;
  matted: boolean;
  setMatted: (matted: boolean) => void;
}) {
  return (
    <Fieldset legend="The sheet">
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
          {field("free_mm", "White left free, mm", "plan.sheet.mat.free_mm", "below 0 it covers")}
          {field("lower_mm", "Wider below by, mm", "plan.sheet.mat.lower_mm")}
        </Grid>
      )}
      <Small paddingTop="4" paddingBottom="2">
        What the easel’s mask covers of the picture, %
      </Small>
      <Grid templateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr 1fr" }} gap="4">
        {field("left", "Left, %", "plan.sheet.mask.left")}
        {field("right", "Right, %", "plan.sheet.mask.right")}
        {field("top", "Top, %", "plan.sheet.mask.top")}
        {field("bottom", "Bottom, %", "plan.sheet.mask.bottom")}
      </Grid>
    </Fieldset>
  );
}
