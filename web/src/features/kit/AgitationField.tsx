import { Box, Grid } from "@chakra-ui/react";
import { useState } from "react";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { named } from "./named";

const OWN = /^(\d+(?:\.\d)?)(?:\+(\d+(?:\.\d)?)\/(\d+))?$/;

/** How film is agitated: a scheme with a name, or one's own seconds. */
export function AgitationField({
  label,
  value,
  agitations,
  none,
  onChange,
  problem,
}: {
  label: string;
  value: string;
  /** ways of agitating, in words */
  agitations: Record<string, string>;
  /** what it says when nothing is chosen, where that is possible */
  none?: string;
  onChange: (key: string | null) => void;
  problem?: string | null;
}) {
  const said = OWN.exec(value);
  const [own, setOwn] = useState(Boolean(said) && !(value in agitations));
  const [first, each, every] = [said?.[1] ?? "30", said?.[2] ?? "0", said?.[3] ?? "60"];
  const write = (seconds: string[]) => {
    const [a = "0", b = "0", c = "60"] = seconds;
    onChange(Number(b) > 0 ? `${a || 0}+${b}/${c}` : a || "0");
  };
  return (
    <Box>
      <Choose
        label={label}
        value={own ? "own" : value}
        options={[
          ...(none === undefined ? [] : [{ value: "", label: none }]),
          ...named(agitations),
          { value: "own", label: "your own seconds …" },
        ]}
        onChange={(key) => {
          setOwn(key === "own");
          if (key === "own") write([first, each, every]);
          else onChange(key || null);
        }}
        problem={problem}
      />
      {own && (
        <Grid templateColumns="repeat(3, minmax(0, 1fr))" gap="2" paddingTop="2">
          <Entry
            label="At the start, s"
            inputMode="decimal"
            defaultValue={first}
            onText={(text) => write([text, each, every])}
          />
          <Entry
            label="Then, s"
            inputMode="decimal"
            defaultValue={each}
            help="0: nothing more"
            onText={(text) => write([first, text, every])}
          />
          <Entry
            label="Every, s"
            inputMode="decimal"
            defaultValue={every}
            onText={(text) => write([first, each, text])}
          />
        </Grid>
      )}
    </Box>
  );
}
