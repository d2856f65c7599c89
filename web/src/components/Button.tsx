import { chakra, defineRecipe } from "@chakra-ui/react";

const recipe = defineRecipe({
  className: "button",
  base: {
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    gap: "2",
    minHeight: "44px",
    minWidth: "44px",
    paddingInline: "4",
    borderRadius: "6px",
    borderWidth: "2px",
    borderStyle: "solid",
    fontWeight: 550,
    cursor: "pointer",
    whiteSpace: "nowrap",
    _disabled: { opacity: 0.5, cursor: "not-allowed" },
  },
  variants: {
    variant: {
      plain: { borderColor: "ink", background: "sheet", color: "ink" },
      main: { borderColor: "accent", background: "accent", color: "onAccent", fontWeight: 650 },
      quiet: { borderColor: "transparent", background: "transparent", color: "ink" },
      word: {
        minHeight: { base: "44px", md: "34px" },
        minWidth: { base: "44px", md: "0" },
        paddingInline: "0",
        borderWidth: "0",
        borderRadius: "0",
        background: "transparent",
        color: "ink",
        fontWeight: 500,
        alignItems: "center",
        textDecoration: "underline dashed",
        textDecorationColor: "dash",
        textDecorationThickness: "1px",
        textUnderlineOffset: "6px",
        _expanded: { textDecorationColor: "accent", textDecorationStyle: "solid" },
      },
      choice: {
        justifyContent: "space-between",
        width: "100%",
        borderWidth: "0",
        borderRadius: "4px",
        background: "transparent",
        color: "ink",
        textAlign: "left",
        _hover: { background: "accentSoft" },
        _pressed: { background: "accentSoft", color: "accent", fontWeight: 650 },
      },
    },
  },
  defaultVariants: { variant: "plain" },
});

/** A button of the house; `type` is "button" unless said, so that no form is sent by accident. */
export const Button = chakra("button", recipe, { defaultProps: { type: "button" } });
