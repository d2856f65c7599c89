import { queryOptions } from "@tanstack/react-query";
import { act } from "../../api/acts";
import { api, type Schemas, unwrap } from "../../api/client";
import { readsOf } from "../../api/reads";

export type FilmTest = Schemas["FilmTest"];
export type Curve = Schemas["Curve"];
export type Worked = Schemas["Worked"];
export type TestView = Schemas["TestView"];
export type Learned = Schemas["Learned"];

export const benchQuery = queryOptions({
  queryKey: ["bench"],
  queryFn: () => unwrap(api.GET("/api/bench")),
  ...readsOf("/api/bench"),
});

const at = (id: string) => ({ params: { path: { id } } });

export const testQuery = (id: string) =>
  queryOptions({
    queryKey: ["bench", "test", id],
    queryFn: () => unwrap(api.GET("/api/bench/tests/{id}", at(id))) as Promise<TestView>,
    ...readsOf("/api/bench/tests/{id}"),
  });

export const putTest = (test: FilmTest, base: string) =>
  act("bench_put", { path: { id: test.id }, query: { base }, body: test });

export const deleteTest = (id: string) => act("bench_delete", { path: { id } });

export const useTimes = (id: string) => act("bench_use_times", { path: { id } });

export const useLearned = (recipe_id: string, without: string[]) =>
  act("bench_use_learned", { path: { id: recipe_id }, body: { without } });

export const rateAsLearned = (recipe_id: string, without: string[]) =>
  act("bench_use_learned_ei", { path: { id: recipe_id }, body: { without } });

/** What to set for each frame of a test. */
export const planQuery = (
  lens_id: string,
  plan: { ev: number; ei: number; first_stops: number; step_stops: number; frames: number },
) =>
  queryOptions({
    queryKey: ["bench", "plan", lens_id, plan],
    queryFn: () => unwrap(api.GET("/api/bench/plan", { params: { query: { lens_id, ...plan } } })),
    ...readsOf("/api/bench/plan"),
  });

/** Read the patch under the densitometer's head. */
export const readPatch = (place: number, zeroed: boolean) =>
  unwrap(api.GET("/api/devices/densitometer", { params: { query: { place, zeroed } } }));

/** What is pasted, as steps: each density with the exposure the row of them begins and goes on at. */
export const readDensities = (pasted: Schemas["PastedDensities"]) =>
  unwrap(api.POST("/api/bench/densities", { body: pasted }));
