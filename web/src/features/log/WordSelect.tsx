import { chakra } from "@chakra-ui/react";

const Select = chakra("select", {
  base: {
    minHeight: "44px",
    fieldSizing: "content",
    maxWidth: { base: "100%", md: "240px" },
    background: "transparent",
    color: "ink",
    border: "none",
    cursor: "pointer",
    fontWeight: 500,
    textOverflow: "ellipsis",
    textDecoration: "underline dashed",
    textDecorationColor: "dash",
    textUnderlineOffset: "6px",
  },
});

/** A choice that reads as a word of a sentence. */
export function WordSelect({
  label,
  value,
  any,
  options,
  choose,
}: {
  label: string;
  value: string;
  any: string;
  options: { value: string; label: string }[];
  choose: (value: string) => void;
}) {
  return (
    <Select
      aria-label={label}
      value={value}
      color={value ? "accent" : "ink"}
      onChange={(event) => choose(event.target.value)}
    >
      <option value="">{any}</option>
      {options.map((each) => (
        <option key={each.value} value={each.value}>
          {each.label}
        </option>
      ))}
    </Select>
  );
}
