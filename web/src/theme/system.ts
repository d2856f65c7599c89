import {
  createSystem,
  defaultBaseConfig,
  defineConfig,
  defineRecipe,
  defineSlotRecipe,
} from "@chakra-ui/react";

/* The look, settled by the studies: paper, ink, one accent, ochre for cautions, brick for
   refusals; one face with tabular figures; hairlines instead of boxes. Only the recipes in use. */

const field = {
  width: "100%",
  minHeight: "44px",
  paddingInline: "3",
  borderWidth: "1px",
  borderStyle: "solid",
  borderColor: "edge",
  borderRadius: "4px",
  background: "sheet",
  color: "ink",
  _placeholder: { color: "ink2" },
  _invalid: { borderColor: "brick", borderWidth: "2px" },
};

const input = defineRecipe({ className: "input", base: field });
const textarea = defineRecipe({
  className: "textarea",
  base: { ...field, paddingBlock: "2", minHeight: "80px", resize: "vertical" },
});

const nativeSelect = defineSlotRecipe({
  className: "native-select",
  slots: ["root", "field", "indicator"],
  base: {
    root: { position: "relative", width: "100%" },
    field: { ...field, appearance: "none", paddingInlineEnd: "8" },
    indicator: {
      position: "absolute",
      insetInlineEnd: "3",
      top: "0",
      height: "100%",
      display: "inline-flex",
      alignItems: "center",
      pointerEvents: "none",
      color: "ink2",
      "& svg": { width: "16px", height: "16px" },
    },
  },
});

const dialog = defineSlotRecipe({
  className: "dialog",
  slots: [
    "trigger",
    "backdrop",
    "positioner",
    "content",
    "title",
    "description",
    "closeTrigger",
    "header",
    "body",
    "footer",
  ],
  base: {
    backdrop: { position: "fixed", inset: "0", background: "veil", zIndex: 40 },
    positioner: {
      position: "fixed",
      inset: "0",
      display: "flex",
      justifyContent: "center",
      alignItems: { base: "flex-end", md: "center" },
      zIndex: 50,
      overflow: "auto",
      padding: { base: "0", md: "6" },
    },
    content: {
      background: "sheet",
      color: "ink",
      width: "100%",
      maxWidth: "560px",
      maxHeight: "92dvh",
      overflow: "auto",
      borderRadius: { base: "12px 12px 0 0", md: "8px" },
      borderWidth: "1px",
      borderStyle: "solid",
      borderColor: "line",
      outline: "none",
    },
    header: { paddingInline: "6", paddingTop: "5", paddingBottom: "2" },
    title: { fontSize: "19px", fontWeight: 650 },
    body: { paddingInline: "6", paddingBottom: "3" },
    footer: {
      display: "flex",
      flexWrap: "wrap",
      justifyContent: "flex-end",
      gap: { base: "2", md: "3" },
      position: "sticky",
      bottom: "0",
      background: "sheet",
      paddingTop: "3",
      paddingInline: { base: "4", md: "6" },
      paddingBottom: "5",
    },
  },
});

const popover = defineSlotRecipe({
  className: "popover",
  slots: ["trigger", "positioner", "content", "header", "body", "title", "arrow", "arrowTip"],
  base: {
    positioner: { zIndex: 30 },
    content: {
      background: "sheet",
      color: "ink",
      borderWidth: "1px",
      borderStyle: "solid",
      borderColor: "ink",
      borderRadius: "6px",
      minWidth: "240px",
      maxWidth: "min(360px, 94vw)",
      maxHeight: "70dvh",
      overflow: "auto",
      outline: "none",
      boxShadow: "0 6px 24px rgb(0 0 0 / 14%)",
    },
    body: { padding: "3" },
  },
});

const fieldRecipe = defineSlotRecipe({
  className: "field",
  slots: ["root", "errorText", "helperText", "input", "label", "requiredIndicator"],
  base: {
    root: { display: "flex", flexDirection: "column", gap: "1", width: "100%" },
    label: { fontSize: "14px", color: "ink2" },
    helperText: { fontSize: "14px", color: "ink2" },
    errorText: { fontSize: "14px", color: "brick", fontWeight: 550 },
  },
});

const steps = Object.fromEntries(
  [0, 0.5, 1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12].map((step) => [
    String(step),
    { value: `${step * 4}px` },
  ]),
);

const both = (day: string, dusk: string) => ({ value: { _light: day, _dark: dusk } });

const config = defineConfig({
  cssVarsRoot: ":where(:root, :host)",
  preflight: true,
  globalCss: {
    html: {
      fontFamily: "body",
      fontSize: "16px",
      lineHeight: 1.4,
      fontVariantNumeric: "tabular-nums",
      color: "ink",
      background: "paper",
      textSizeAdjust: "100%",
      colorScheme: "light",
    },
    "html.dark": { colorScheme: "dark" },
    "h1, h2, h3": { fontSize: "inherit", fontWeight: 650 },
    a: {
      color: "accent",
      textDecoration: "underline",
      textUnderlineOffset: "3px",
      // a line of text stays as high as it is; what a thumb may touch is higher
      "@media (max-width: 899.9px)": { paddingBlock: "11px" },
    },
    "nav a": { paddingBlock: "0 !important" },
    ":focus-visible": { outline: "3px solid", outlineColor: "accent", outlineOffset: "2px" },
    "input[type=checkbox]": {
      width: "20px",
      height: "20px",
      flexShrink: 0,
      accentColor: "var(--chakra-colors-accent)",
    },
    table: { borderCollapse: "collapse", width: "100%" },
  },
  theme: {
    breakpoints: { md: "900px" },
    tokens: {
      spacing: steps,
      fonts: { body: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" } },
    },
    semanticTokens: {
      colors: {
        ink: both("#161616", "#ececec"),
        ink2: both("#565656", "#b0b0b0"),
        line: both("#d4d4d4", "#3a3a3a"),
        dash: both("#7d8d8d", "#8d9d9d"),
        edge: both("#767676", "#8a8a8a"),
        paper: both("#fafafa", "#131313"),
        sheet: both("#ffffff", "#1a1a1a"),
        // a dark slide looks the same in every light: its exposed face is dark, its other one light
        slideDark: both("#161616", "#0a0a0a"),
        slideLight: both("#ffffff", "#dedede"),
        accent: both("#1b3f78", "#a9c3f2"),
        accentSoft: both("#e8edf6", "#22314d"),
        onAccent: both("#ffffff", "#0f1a30"),
        ochre: both("#7d5200", "#e5b766"),
        ochreSoft: both("#fbf1dc", "#352a12"),
        brick: both("#9c2f1c", "#f3a08f"),
        brickSoft: both("#fbe9e5", "#41201a"),
        veil: both("rgb(0 0 0 / 35%)", "rgb(0 0 0 / 60%)"),
      },
    },
    recipes: { input, textarea },
    slotRecipes: { nativeSelect, dialog, popover, field: fieldRecipe },
  },
});

export const system = createSystem(defaultBaseConfig, config);
