import { expect, test } from "vitest";
import { ownerOf } from "../src/components/refused";

/* Which field of a form says what was refused. */

const FORM = ["title", "run.name", "measured", "measured.0.density", "plan.parts.0.label"];

test.each([
  ["title", "title"],
  // a record within the form is refused by its own names
  ["name", "run.name"],
  ["run.name", "run.name"],
  // what has no field of its own is said by the nearest that holds it
  ["measured.0.density", "measured.0.density"],
  ["measured.1.density", "measured"],
  ["measured.0.density.unit", "measured.0.density"],
  // and what nobody holds, beneath the form
  ["titles", null],
  ["plan", null],
  ["plan.parts.1.label", null],
  ["label", "plan.parts.0.label"],
])("%s is said by %s", (meant, owner) => {
  expect(ownerOf(meant, FORM)).toBe(owner);
});

test("what stands exactly there goes before any that ends so", () => {
  expect(ownerOf("name", ["run.name", "name"])).toBe("name");
});

test("without fields nobody says it", () => {
  expect(ownerOf("title", [])).toBeNull();
});
