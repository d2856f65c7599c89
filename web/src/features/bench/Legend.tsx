import { Box, Flex } from "@chakra-ui/react";
import { memo } from "react";

/** Which curve is which, and which are hidden. */
export const Legend = memo(function Legend({
  names,
  hidden,
  dotted,
  dashed,
  setHidden,
}: {
  names: string;
  hidden: string[];
  dotted: string;
  dashed: string;
  setHidden: (change: (before: string[]) => string[]) => void;
}) {
  const turn = (name: string) =>
    setHidden((before) =>
      before.includes(name) ? before.filter((each) => each !== name) : [...before, name],
    );
  return (
    <Flex gap="2" wrap="wrap" paddingTop="1">
      {names
        .split("\n")
        .filter(Boolean)
        .map((name) => (
          <Flex as="label" key={name} gap="2" align="center" minHeight="44px" paddingRight="3">
            <input type="checkbox" checked={!hidden.includes(name)} onChange={() => turn(name)} />
            {name}
          </Flex>
        ))}
      {dotted && <Box alignSelf="center">dotted: {dotted}</Box>}
      {dashed
        .split("\n")
        .filter(Boolean)
        .map((title) => (
          <Box key={title} alignSelf="center">
            dashed: {title}
          </Box>
        ))}
    </Flex>
  );
});
