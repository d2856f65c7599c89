import type { components, operations } from "../service/schema";
import { CALLS } from "../service/service";
import { commaAnswered, commaAsked } from "./comma";
import { here } from "./here";
import { OWN } from "./own";
import { refusal, unheard } from "./refusal";
import { type Progress, transport } from "./transport";
import { noticing } from "./unread";

/* Everything the service answers, each by its name: where it is sent, what it takes, what it says. */

export type Schemas = components["schemas"];

interface Keyed {
  parameters: { header: { "Idempotency-Key": string } };
}

export type Call = keyof typeof CALLS;

/** What is done, once by its id; the rest is asked. */
export type ActName = {
  [N in Call]: operations[N] extends Keyed ? N : never;
}[Call];
export type QuestionName = Exclude<Call, ActName>;

type Part<K extends string, T> = [T] extends [undefined]
  ? { [k in K]?: undefined }
  : undefined extends T
    ? Partial<Record<K, T>>
    : Record<K, T>;
type Of<N extends Call> = operations[N]["parameters"];
type Body<N extends Call> = operations[N] extends { requestBody: { content: infer Content } }
  ? Content extends { "application/json": infer Sent }
    ? Sent
    : Blob
  : undefined;

/** What is sent with it: names in its address, words of the query, its body. */
export type Asked<N extends Call> = Part<"path", Of<N>["path"]> &
  Part<"query", Of<N>["query"]> &
  Part<"body", Body<N>>;

/** What it answers. */
export type Answer<N extends Call> = operations[N]["responses"] extends {
  200: { content: infer Content };
}
  ? Content extends { "application/json": infer Said }
    ? Said
    : Blob
  : undefined;

/** The same without its name's type, as it is kept. */
export interface Sent {
  path?: Record<string, string> | undefined;
  query?: object | undefined;
  body?: unknown;
}

/** Its address. */
function address(template: string, { path = {}, query = {} }: Sent): string {
  const named = template.replace(/{(\w+)}/g, (_, name) => encodeURIComponent(path[name] ?? ""));
  const words = Object.entries(query).filter(([, value]) => value != null);
  const asked = new URLSearchParams(words.map(([name, value]) => [name, String(value)])).toString();
  return here(`${named}${asked && `?${asked}`}`);
}

/** Send it; its answer with its headers. Throws a Refusal. */
export async function call(
  name: Call,
  sent: Sent,
  { headers = {}, progress }: { headers?: object; progress?: Progress },
): Promise<{ answer: unknown; said: Headers }> {
  const [method, template] = CALLS[name];
  const file = sent.body instanceof Blob ? sent.body : null;
  const request = new Request(address(template, sent), {
    method,
    headers: { ...OWN, ...headers, ...(file ? {} : { "content-type": "application/json" }) },
    ...(sent.body === undefined || file ? {} : { body: JSON.stringify(sent.body) }),
  });
  let response: Response;
  try {
    const upload = file ? { file, progress: progress ?? (() => undefined) } : undefined;
    response = noticing(await transport(request, upload));
  } catch (problem) {
    throw unheard(problem);
  }
  const told = response.headers.get("content-type")?.startsWith("application/json") ?? false;
  if (!response.ok) {
    const refused = refusal(told ? await response.json().catch(() => null) : null, response.status);
    commaAsked(name, refused);
    throw refused;
  }
  commaAnswered(name);
  const answer =
    response.status === 204 ? undefined : told ? await response.json() : await response.blob();
  return { answer, said: response.headers };
}
