import { Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** Something that is so, or is not: a box to tick with its words. */
export function Tick({
  on,
  set,
  disabled,
  children,
}: {
  on: boolean;
  set: (on: boolean) => void;
  disabled?: boolean;
  children: ReactNode;
}) {
  return (
    <Flex as="label" gap="2" align="center" minHeight="44px" cursor="pointer">
      <input
        type="checkbox"
        checked={on}
        disabled={disabled}
        onChange={(event) => set(event.target.checked)}
      />
      {children}
    </Flex>
  );
}
