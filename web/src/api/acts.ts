import { MutationObserver, type QueryClient } from "@tanstack/react-query";
import { isAway, newId, type Refusal, refusal, unheard } from "./client";
import { here } from "./here";
import { OWN } from "./own";
import { refresh } from "./reads";
import type { operations } from "./schema";
import { type Progress, transport } from "./transport";

/* Everything that can be done, each by its name on the server, in one table. An act is a name and what
   is asked, never a closure: so it can be kept while it is under way, sent again and done exactly once,
   by its own id, whatever happens to the page meanwhile. */

interface Keyed {
  parameters: { header: { "Idempotency-Key": string } };
}

export type ActName = {
  [N in keyof operations]: operations[N] extends Keyed ? N : never;
}[keyof operations];

type Method = "POST" | "PUT" | "DELETE";

const ACTS: Record<ActName, readonly [Method, string]> = {
  attachments_attach: ["PUT", "/api/attachments/{id}"],
  attachments_delete: ["DELETE", "/api/attachments/{id}"],
  bench_put: ["PUT", "/api/bench/tests/{id}"],
  bench_delete: ["DELETE", "/api/bench/tests/{id}"],
  bench_use_times: ["POST", "/api/bench/tests/{id}/use"],
  bench_use_textural: ["POST", "/api/bench/tests/{id}/textural"],
  checks_use_meters: ["POST", "/api/bench/checks/meters/use"],
  checks_use_paper: ["POST", "/api/bench/checks/paper/use"],
  checks_use_shutter: ["POST", "/api/bench/checks/shutter/use"],
  learning_use: ["POST", "/api/bench/learned/{id}/use"],
  learning_rate: ["POST", "/api/bench/learned/{id}/rate"],
  strips_expose: ["POST", "/api/bench/tests/{id}/frames"],
  strips_put_into_run: ["POST", "/api/bench/tests/{id}/strips/{curve_id}/run"],
  unread_mend: ["POST", "/api/unread/{table}/{id}/mend"],
  darkroom_decide_over: ["POST", "/api/darkroom/choices"],
  darkroom_judge: ["PUT", "/api/darkroom/judgements/{id}"],
  exchange_hand_in_csv: ["POST", "/api/exchange/csv"],
  exchange_read_csv: ["POST", "/api/exchange/csv/read"],
  archives_write: ["POST", "/api/exchange/archive"],
  archives_merge: ["POST", "/api/exchange/archive/merge"],
  archives_decide: ["POST", "/api/exchange/archive/decide"],
  exposures_log: ["POST", "/api/exposures"],
  exposures_log_bracket: ["POST", "/api/exposures/bracket"],
  exposures_put_right: ["PUT", "/api/exposures/{id}"],
  history_restore: ["POST", "/api/history/{id}/put-back"],
  holders_put: ["PUT", "/api/holders/{id}"],
  holders_delete: ["DELETE", "/api/holders/{id}"],
  holders_load: ["POST", "/api/holders/load"],
  holders_unload: ["POST", "/api/holders/unload"],
  journal_undo: ["POST", "/api/undo"],
  journal_redo: ["POST", "/api/redo"],
  kit_put_film: ["PUT", "/api/kit/films/{id}"],
  kit_delete_film: ["DELETE", "/api/kit/films/{id}"],
  kit_put_recipe: ["PUT", "/api/kit/recipes/{id}"],
  kit_delete_recipe: ["DELETE", "/api/kit/recipes/{id}"],
  kit_put_camera: ["PUT", "/api/kit/cameras/{id}"],
  kit_delete_camera: ["DELETE", "/api/kit/cameras/{id}"],
  kit_put_lens: ["PUT", "/api/kit/lenses/{id}"],
  kit_delete_lens: ["DELETE", "/api/kit/lenses/{id}"],
  kit_put_pinhole: ["PUT", "/api/kit/pinholes/{id}"],
  kit_delete_pinhole: ["DELETE", "/api/kit/pinholes/{id}"],
  kit_put_filter: ["PUT", "/api/kit/filters/{id}"],
  kit_delete_filter: ["DELETE", "/api/kit/filters/{id}"],
  kit_put_meter: ["PUT", "/api/kit/meters/{id}"],
  kit_delete_meter: ["DELETE", "/api/kit/meters/{id}"],
  kit_put_sheet_format: ["PUT", "/api/kit/formats/{id}"],
  kit_delete_sheet_format: ["DELETE", "/api/kit/formats/{id}"],
  kit_put_tank: ["PUT", "/api/kit/tanks/{id}"],
  kit_delete_tank: ["DELETE", "/api/kit/tanks/{id}"],
  kit_put_line: ["PUT", "/api/kit/lines/{id}"],
  kit_delete_line: ["DELETE", "/api/kit/lines/{id}"],
  kit_put_bottle: ["PUT", "/api/kit/bottles/{id}"],
  kit_delete_bottle: ["DELETE", "/api/kit/bottles/{id}"],
  kit_put_powder: ["PUT", "/api/kit/powders/{id}"],
  kit_delete_powder: ["DELETE", "/api/kit/powders/{id}"],
  kit_add_starter: ["POST", "/api/kit/starters/{key}"],
  kit_add_recipes: ["POST", "/api/kit/recipes"],
  mixing_clearing: ["POST", "/api/mixing/clearing"],
  outings_put: ["PUT", "/api/outings/{id}"],
  outings_delete: ["DELETE", "/api/outings/{id}"],
  pieces_name_holder: ["POST", "/api/pieces/{id}/holder"],
  outings_begin: ["POST", "/api/outings/{id}/scenes"],
  outings_revisit: ["POST", "/api/outings/{id}/revisit"],
  outings_pack: ["POST", "/api/outings/{id}/packed"],
  kit_put_printing_paper: ["PUT", "/api/kit/papers/{id}"],
  kit_delete_printing_paper: ["DELETE", "/api/kit/papers/{id}"],
  kit_put_enlarger: ["PUT", "/api/kit/enlargers/{id}"],
  kit_delete_enlarger: ["DELETE", "/api/kit/enlargers/{id}"],
  prints_put: ["PUT", "/api/prints/{id}"],
  prints_delete: ["DELETE", "/api/prints/{id}"],
  prints_keep_strip: ["POST", "/api/prints/{id}/strips"],
  prints_made: ["POST", "/api/prints/{id}/tries"],
  prints_note: ["PUT", "/api/prints/{id}/tries/{try_id}"],
  prints_print_again: ["POST", "/api/prints/{id}/again"],
  prints_use_reworked: ["POST", "/api/prints/{id}/rework"],
  preferences_put: ["PUT", "/api/preferences"],
  rolls_load: ["POST", "/api/rolls"],
  rolls_put: ["PUT", "/api/rolls/{id}"],
  rolls_unload: ["DELETE", "/api/rolls/{id}"],
  rolls_advanced: ["POST", "/api/rolls/{id}/advanced"],
  rolls_skip: ["POST", "/api/rolls/{id}/skip"],
  rolls_take_out: ["POST", "/api/rolls/{id}/take-out"],
  rolls_put_back: ["POST", "/api/rolls/{id}/put-back"],
  rolls_cut: ["POST", "/api/rolls/{id}/cut"],
  rolls_weigh: ["POST", "/api/rolls/{id}/weight"],
  rolls_develop_for: ["POST", "/api/rolls/strips/{id}/development"],
  runs_begin: ["POST", "/api/darkroom/runs"],
  runs_keep_course: ["POST", "/api/darkroom/runs/{id}/went"],
  runs_developed: ["POST", "/api/darkroom/runs/{id}/developed"],
  runs_leave: ["DELETE", "/api/darkroom/runs/{id}"],
  scenes_begin: ["POST", "/api/scenes"],
  scenes_like_film: ["POST", "/api/scenes/{id}/reciprocity"],
  scenes_put: ["PUT", "/api/scenes/{id}"],
  scenes_delete: ["DELETE", "/api/scenes/{id}"],
  scenes_edit: ["POST", "/api/scenes/{id}/edits"],
  stock_put: ["PUT", "/api/stock/{id}"],
  stock_delete: ["DELETE", "/api/stock/{id}"],
};

type Part<K extends string, T> = [T] extends [undefined] ? { [k in K]?: undefined } : Record<K, T>;
type Of<N extends ActName> = operations[N]["parameters"];
type Body<N extends ActName> = operations[N] extends { requestBody: { content: infer Content } }
  ? Content extends { "application/json": infer Sent }
    ? Sent
    : Blob
  : undefined;

/** What an act of a name is asked with. */
export type Asked<N extends ActName> = Part<"path", Of<N>["path"]> &
  Part<"query", Of<N>["query"]> &
  Part<"body", Body<N>>;

/** What it answers. */
export type Answer<N extends ActName> = operations[N]["responses"] extends {
  200: { content: { "application/json": infer Said } };
}
  ? Said
  : undefined;

/** Something done: its name, its own id, the moment, and what is asked. */
export interface Act<N extends ActName = ActName> {
  name: N;
  key: string;
  moment: string;
  path?: Record<string, string> | undefined;
  query?: Record<string, string> | undefined;
  body?: unknown;
}

export const act = <N extends ActName>(name: N, asked: Asked<N>): Act<N> => ({
  name,
  key: newId(),
  moment: new Date().toISOString(),
  ...(asked as Pick<Act, "path" | "query" | "body">),
});

interface Done {
  answer: unknown;
  touched: string[];
}

/* How far files are, by the acts they go out with: nothing that could be kept. */
const watched = new Map<string, Progress>();

async function done(asked: Act): Promise<Done> {
  const [method, template] = ACTS[asked.name];
  const path = template.replace(/{(\w+)}/g, (_, name) =>
    encodeURIComponent(asked.path?.[name] ?? ""),
  );
  const query = new URLSearchParams(asked.query).toString();
  const file = asked.body instanceof Blob ? asked.body : null;
  const request = new Request(here(`${path}${query && `?${query}`}`), {
    method,
    headers: {
      ...OWN,
      "idempotency-key": asked.key,
      "x-emulsa-moment": asked.moment,
      ...(file ? {} : { "content-type": "application/json" }),
    },
    ...(asked.body === undefined || file ? {} : { body: JSON.stringify(asked.body) }),
  });
  let response: Response;
  try {
    const progress = watched.get(asked.key) ?? (() => undefined);
    response = await transport(request, file ? { file, progress } : undefined);
  } catch (problem) {
    throw unheard(problem);
  }
  const answer = await response.json().catch(() => null);
  if (!response.ok) throw refusal(answer, response.status);
  const touched = response.headers.get("x-emulsa-touched")?.split(" ") ?? [];
  return { answer, touched };
}

const AGAIN_MS = [300, 900];

/** Teach a client every act by its name: one after the other, sent again when nobody answered. */
export function teach(client: QueryClient) {
  for (const name of Object.keys(ACTS)) {
    client.setMutationDefaults([name], {
      mutationFn: (asked) => done(asked as unknown as Act),
      scope: { id: "acts" },
      networkMode: "always",
      retry: (failures, problem) => failures < AGAIN_MS.length && isAway(problem),
      retryDelay: (failures) => AGAIN_MS[failures] ?? 0,
    });
  }
}

/* Acts nobody answered: asked for again, they are the same acts, which may have been done. */
const unanswered = new Map<string, Act>();
const print = ({ name, path, query, body }: Act) => JSON.stringify([name, path, query, body]);

/**
 * Do it; what it touched is read anew. The answer comes as soon as it is done; `fresh` when everything
 * that is shown is true again. Throws a Refusal.
 */
export async function carryOut<N extends ActName>(
  client: QueryClient,
  asked: Act<N>,
  progress?: Progress,
): Promise<{ answer: Answer<N>; fresh: Promise<void> }> {
  const known = unanswered.get(print(asked));
  const same = known ?? asked;
  if (progress) watched.set(same.key, progress);
  try {
    const observer = new MutationObserver<Done, Refusal, Act>(client, { mutationKey: [same.name] });
    const { answer, touched } = await observer.mutate(same);
    unanswered.delete(print(asked));
    return { answer: answer as Answer<N>, fresh: refresh(client, touched) };
  } catch (problem) {
    if (isAway(problem)) unanswered.set(print(asked), same);
    else unanswered.delete(print(asked));
    throw problem;
  } finally {
    watched.delete(same.key);
  }
}
