import { beforeEach, describe, expect, it, vi } from "vitest";
import { heard, refresh } from "../src/api/reads";
import { tellOutcome } from "../src/field/outcome";

/* Which answers an act makes old; what came of handing in. */

vi.stubGlobal("localStorage", { getItem: () => null, setItem: () => null, removeItem: () => null });

describe("an answer", () => {
  const asked: { predicate: (query: unknown) => boolean }[] = [];
  const stopped: typeof asked = [];
  const client = {
    cancelQueries: async (what: never) => void stopped.push(what),
    invalidateQueries: async (what: never) => void asked.push(what),
  } as never;
  const woken = (name: string, state: object = { error: null }) =>
    asked.at(-1)?.predicate({ queryKey: [name], state });
  const said = (tables: string) => new Headers({ "x-emulsa-woken-by": tables });
  beforeEach(() => void asked.splice(0));

  it("is woken by the tables it was read of, and no others", async () => {
    heard("kit_read", said("film lens"));
    heard("log_search" as never, said("exposure"));
    await refresh(client, ["lens"]);
    expect([woken("kit_read"), woken("log_search")]).toEqual([true, false]);
    await refresh(client, ["exposure", "scene"]);
    expect([woken("kit_read"), woken("log_search")]).toEqual([false, true]);
  });

  it("remembers every table any answer of its name was read of", async () => {
    heard("stock_read", said("stock"));
    heard("stock_read", said("film"));
    await refresh(client, ["stock"]);
    expect(woken("stock_read")).toBe(true);
  });

  it("that is read of everything is woken by anything, an act that touched nothing wakes none", async () => {
    heard("journal_read" as never, said("*"));
    await refresh(client, ["film"]);
    expect(woken("journal_read")).toBe(true);
    await refresh(client, []);
    expect(asked).toHaveLength(1);
  });

  it("that is on its way for the first time is stopped, for it may be older than the act", async () => {
    heard("kit_read", said("film lens"));
    await refresh(client, ["lens"]);
    const on = (name: string, data?: object) =>
      stopped.at(-1)?.predicate({ queryKey: [name], state: { data, error: null } });
    expect([on("kit_read"), on("kit_read", {}), on("nobody_knows")]).toEqual([true, false, true]);
  });

  it("that was refused is woken by anything", async () => {
    await refresh(client, ["lens"]);
    expect(woken("scenes_line", { error: new Error("no") })).toBe(true);
  });
});

describe("what came of handing in", () => {
  const came = (came: string, says = "") => ({ came, says }) as never;

  it.each([
    [[came("done"), came("done")], "2 done at home."],
    [[came("done"), came("aside"), came("taken back")], "1 done at home; 1 set aside."],
    [
      [came("done", "sheet 2A is 2B"), came("done", "Scene 3 is Scene 4")],
      "2 done at home; called otherwise here: sheet 2A is 2B, Scene 3 is Scene 4.",
    ],
  ])("is told in a sentence", (all, text) => {
    expect(tellOutcome(all)).toBe(text);
  });
});
