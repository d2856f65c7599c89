import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { ask, question } from "../../api/ask";
import type { Schemas } from "../../api/calls";

export type FilmTest = Schemas["FilmTest"];
export type Curve = Schemas["Curve"];
export type Worked = Schemas["Worked"];
export type TestView = Schemas["TestView"];
export type Learned = Schemas["Learned"];
export type StripScan = Schemas["StripScan"];
export type Place = Schemas["PicturePlace"];
export type ScanRead = Schemas["ScanRead"];

export const benchQuery = question("bench_read");

export const testQuery = (id: string) => question("bench_read_test", { path: { id } });

/** What a test says as it would stand; nothing is kept. */
export const draw = (test: FilmTest) => ask("bench_draw", { body: test });

export const putTest = (test: FilmTest, base: string) =>
  act("bench_put", { path: { id: test.id }, query: { base }, body: test });

export const deleteTest = (id: string) => act("bench_delete", { path: { id } });

/* What is used was worked out on a version of the lens, meter, paper, recipe or film it is used for. */

export const takeTimes = (id: string, base: string) =>
  act("bench_use_times", { path: { id }, query: { base } });

export const takeTones = (id: string, base: string) =>
  act("bench_use_textural", { path: { id }, query: { base } });

export const takeLearned = (recipe_id: string, without: string[], base: string) =>
  act("learning_use", { path: { id: recipe_id }, query: { base }, body: { without } });

export const rateAsLearned = (recipe_id: string, without: string[], base: string) =>
  act("learning_rate", { path: { id: recipe_id }, query: { base }, body: { without } });

/** What to set for each frame of a test. */
export const planQuery = (
  lens_id: string,
  plan: { ev: number; ei: number; first_stops: number; step_stops: number; frames: number },
) => question("bench_plan", { query: { lens_id, ...plan } });

/** Film that can be exposed for a test, and the scans attached to it. */
export const testFilmQuery = (id: string) => question("strips_film", { path: { id } });

export const exposeStrip = (id: string, strip: Schemas["StripExposing"]) =>
  act("strips_expose", { path: { id }, body: strip });

export const takeBracket = (id: string, body: Schemas["BracketTaken"]) =>
  act("strips_take", { path: { id }, body });

export const putIntoRun = (id: string, curve_id: string, run: Schemas["StripRun"]) =>
  act("strips_put_into_run", { path: { id, curve_id }, body: run });

export const attachScan = (id: string, test_id: string, file: File) =>
  act("attachments_attach", { path: { id }, query: { test_id, name: file.name }, body: file });

/** Densities of the patches laid over a scan. */
export const scanQuery = (id: string, scan: StripScan) =>
  question("strips_read_scan", { path: { id }, body: scan });

/** Read the patch under the densitometer's head. */
export const readPatch = (place: number, zeroed: boolean) =>
  ask("devices_densitometer", { query: { place, zeroed } });

/** What is pasted, as steps: each density with its exposure in the row of them. */
export const readDensities = (pasted: Schemas["PastedDensities"]) =>
  ask("bench_read_densities", { body: pasted });

/** Curves out of a file of them. */
export const readCurves = (text: string) => ask("bench_read_curves", { body: { text } });

/** What a shutter's readings say. */
export const shutterQuery = (readings: Schemas["ShutterReadings"]) =>
  queryOptions({ ...question("checks_shutter", { body: readings }), retry: false });

export const takeShutter = (readings: Schemas["ShutterReadings"], base: string) =>
  act("checks_use_shutter", { query: { base }, body: readings });

/** How far two meters are apart. */
export const metersQuery = (readings: Schemas["MeterReadings"]) =>
  queryOptions({ ...question("checks_meters", { body: readings }), retry: false });

export const takeMeters = (readings: Schemas["MeterReadings"], base: string) =>
  act("checks_use_meters", { query: { base }, body: readings });

export const testShutter = (shutter: Schemas["Shutter"]) =>
  ask("devices_measure", { body: shutter });

/** What a contact proof of a step tablet shows of a paper. */
export const proofQuery = (proof: Schemas["Proof"]) =>
  queryOptions({ ...question("checks_paper", { body: proof }), retry: false });

export const takePaper = (proof: Schemas["Proof"], base: string) =>
  act("checks_use_paper", { query: { base }, body: proof });
