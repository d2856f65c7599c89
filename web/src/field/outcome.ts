import { keptOutside } from "../api/kept";
import type { CameOf } from "./handingIn";

/* What came of handing in, said at home until it was read. */

const kept = keptOutside<string>("emulsa-handed-in");
export const useOutcome = kept.use;
export const outcomeRead = () => kept.keep(null);

/** What came of every act, in a sentence or two. */
export function tellOutcome(came: CameOf[]): string {
  const aside = came.filter((each) => each.came === "aside").length;
  const undone = came.filter((each) => each.came === "taken back").length;
  const otherwise = came.filter((each) => each.says).map((each) => each.says);
  const said = [
    `${came.length - aside - undone} done at home`,
    aside > 0 && `${aside} set aside`,
    otherwise.length > 0 && `called otherwise here: ${otherwise.join(", ")}`,
  ].filter(Boolean);
  const text = `${said.join("; ")}.`;
  if (came.length) kept.keep(text);
  return text;
}
