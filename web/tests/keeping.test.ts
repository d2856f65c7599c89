import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { keeping } from "../src/features/print/keeping";

/* A draft is kept after a rest; what is changed while it is on its way is neither lost nor written
   over by the answer. */

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** A draft of a word, with the answers to its keeping given by hand. */
function drafted() {
  const shown: string[] = [];
  const sent: [string, string][] = [];
  const answers: ((version: string | null) => void)[] = [];
  const draft = keeping(
    { value: "one", version: "v1" },
    (value) => shown.push(value),
    (value, base) => {
      sent.push([value, base]);
      return new Promise((answer) => answers.push(answer));
    },
  );
  const answer = async (version: string | null) => {
    answers.shift()?.(version);
    await vi.advanceTimersByTimeAsync(0);
  };
  return { draft, shown, sent, answer };
}

test("what is changed is shown at once and kept after a rest, once", async () => {
  const { draft, shown, sent, answer } = drafted();
  draft.change((before) => `${before} two`);
  draft.change((before) => `${before} three`);
  expect(shown).toEqual(["one two", "one two three"]);
  await vi.advanceTimersByTimeAsync(499);
  expect(sent).toEqual([]);
  await vi.advanceTimersByTimeAsync(1);
  await answer("v2");
  await vi.advanceTimersByTimeAsync(5000);
  expect(sent).toEqual([["one two three", "v1"]]);
});

test("a change while another is being kept is kept after it, on its version", async () => {
  const { draft, shown, sent, answer } = drafted();
  draft.change(() => "two");
  await vi.advanceTimersByTimeAsync(500);
  draft.change(() => "three");
  await answer("v2");
  draft.meet({ value: "two", version: "v2" });
  expect(shown.at(-1)).toBe("three");
  await vi.advanceTimersByTimeAsync(500);
  expect(sent).toEqual([
    ["two", "v1"],
    ["three", "v2"],
  ]);
});

test("who waits for it to be kept waits for what is on its way, and sends nothing twice", async () => {
  const { draft, sent, answer } = drafted();
  draft.change(() => "two");
  await vi.advanceTimersByTimeAsync(500);
  let done = false;
  const kept = draft.flush().then(() => {
    done = true;
  });
  await vi.advanceTimersByTimeAsync(0);
  expect(done).toBe(false);
  await answer("v2");
  await kept;
  expect(sent).toEqual([["two", "v1"]]);
});

test("what another hand kept is taken when nothing waits, and never over what does", async () => {
  const { draft, shown, sent, answer } = drafted();
  draft.meet({ value: "theirs", version: "v2" });
  expect(shown).toEqual(["theirs"]);
  draft.change((before) => `${before} and mine`);
  draft.meet({ value: "theirs again", version: "v3" });
  expect(shown.at(-1)).toBe("theirs and mine");
  const kept = draft.flush();
  await answer(null);
  expect(await kept).toBe(false);
  // refused, it waits for a choice: mine over theirs, or theirs
  void draft.over("v3");
  await answer("v4");
  expect(sent).toEqual([
    ["theirs and mine", "v2"],
    ["theirs and mine", "v3"],
  ]);
  draft.letGo();
  draft.meet({ value: "theirs at last", version: "v5" });
  expect(shown.at(-1)).toBe("theirs at last");
});

test("with nothing changed nothing is kept", async () => {
  const { draft, sent } = drafted();
  expect(await draft.flush()).toBe(true);
  expect(sent).toEqual([]);
});
