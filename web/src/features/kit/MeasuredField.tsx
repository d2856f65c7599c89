import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { devicesQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { Entry } from "../../components/Entry";
import { typedNumber } from "../../components/typedNumber";
import { testShutter } from "./queries";

type Measured = Schemas["MeasuredSpeed"][];

const textOf = (rows: Measured) => rows.map((row) => `${row.mark}  ${row.seconds}`).join("\n");

const rowsOf = (text: string) =>
  text
    .split("\n")
    .filter((line) => line.trim())
    .map((line) => {
      const [mark = "", ...rest] = line.trim().split(/\s+/);
      return { mark, seconds: typedNumber(rest.join(" ")) };
    });

/** Marks and the seconds they really give: typed, or from the shutter tester that is connected. */
export function MeasuredField({
  shutter,
  onChange,
  problem,
}: {
  shutter: Schemas["Shutter"];
  onChange: (measured: unknown) => void;
  problem: string | null;
}) {
  const [text, setText] = useState(textOf((shutter.measured as Measured) ?? []));
  const [said, setSaid] = useState<string | null>(null);
  const simulated = useQuery(devicesQuery).data?.simulated;
  const test = async () => {
    try {
      const found = await testShutter({ ...shutter, measured: [] });
      setText(textOf(found.measured as Measured));
      onChange(found.measured);
      setSaid(`Measured by the ${found.name.toLowerCase()}; keep it to use it.`);
    } catch (refusal) {
      setSaid((refusal as Error).message);
    }
  };
  return (
    <Box>
      <Entry
        label="Measured times: mark, seconds"
        help="One a line, as 1/60 0.0208; empty: the marks are right"
        multiline
        rows={5}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          onChange(rowsOf(event.target.value));
        }}
        problem={problem}
      />
      <Flex align="center" gap="3" paddingTop="2" wrap="wrap">
        {simulated && <Button onClick={test}>Test with the simulated tester</Button>}
        <Box role="status" fontSize="14px" color="ink2">
          {said}
        </Box>
      </Flex>
    </Box>
  );
}
