import { Flex } from "@chakra-ui/react";
import { memo, type ReactNode } from "react";
import { ApertureWord } from "./ApertureWord";
import { FilmWord } from "./FilmWord";
import { FilterWord } from "./FilterWord";
import { FocusWord } from "./FocusWord";
import { LensWord } from "./LensWord";
import { MeterWord } from "./MeterWord";
import { PlaceWord } from "./PlaceWord";
import type { WordProps } from "./props";
import { ReciprocityWord } from "./ReciprocityWord";
import { SharpWord } from "./SharpWord";

/** The settings as a sentence of editable words; in as many lines as they take. */
export function Sentence({ children, ...props }: WordProps & { children?: ReactNode }) {
  return (
    <Flex
      wrap="wrap"
      flexShrink={0}
      columnGap="4"
      fontSize={{ base: "15px", md: "14px" }}
      lineHeight={1.2}
      align="center"
    >
      <Words {...props} />
      {children}
    </Flex>
  );
}

const Words = memo(function Words(props: WordProps) {
  return (
    <>
      <PlaceWord {...props} />
      <FilmWord {...props} />
      <LensWord {...props} />
      {!props.scene.pinhole_id && <ApertureWord {...props} />}
      {!props.scene.pinhole_id && <FocusWord {...props} />}
      {!props.scene.pinhole_id && <SharpWord {...props} />}
      <FilterWord {...props} />
      <ReciprocityWord {...props} />
      <MeterWord {...props} />
    </>
  );
});
