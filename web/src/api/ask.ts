import { queryOptions } from "@tanstack/react-query";
import { type Answer, type Asked, call, type QuestionName } from "./calls";
import { heard } from "./reads";

/** What may be left out is: a question that takes nothing is asked by its name. */
type Rest<N extends QuestionName> =
  object extends Asked<N> ? [asked?: Asked<N>] : [asked: Asked<N>];

/** Ask; the answer, or a Refusal to throw. */
export async function ask<N extends QuestionName>(
  name: N,
  ...[asked]: Rest<N>
): Promise<Answer<N>> {
  const { answer, said } = await call(name, asked ?? {}, {});
  heard(name, said);
  return answer as Answer<N>;
}

/** A question whose answer stays on the page until an act touches what it was read of. */
export function question<N extends QuestionName>(name: N, ...rest: Rest<N>) {
  const asked: object = rest[0] ?? {};
  return queryOptions<Answer<N>, Error, Answer<N>, readonly [N, object]>({
    queryKey: [name, asked],
    queryFn: () => ask(name, ...rest),
  });
}
