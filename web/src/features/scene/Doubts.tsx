import type { Schemas } from "../../api/calls";
import { Notice } from "../../components/Notice";
import { Tick } from "../../components/Tick";

/** What speaks against exposing this film here, and that it is done all the same. */
export function Doubts({
  doubts,
  ei,
  happened,
  say,
}: {
  doubts: readonly Schemas["Advice"][];
  /** what the scene is worked out for */
  ei: number | undefined;
  happened: boolean;
  say: (happened: boolean) => void;
}) {
  if (doubts.length === 0) return null;
  return (
    <>
      {doubts.map((each) => (
        <Notice key={each.text} tone={each.severity} live>
          {each.text}
        </Notice>
      ))}
      <Tick on={happened} set={say}>
        {doubts.every((each) => each.code === "frame-at-another-ei")
          ? `Expose at EI ${ei ?? ""}`
          : "It happened: record it"}
      </Tick>
    </>
  );
}
