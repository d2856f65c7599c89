import { chakra } from "@chakra-ui/react";

/** What is said beside something, not first. */
export const Quiet = chakra("div", { base: { color: "ink2" } });

/** What helps to understand something: read once, small. */
export const Small = chakra("div", { base: { color: "ink2", fontSize: "14px" } });
