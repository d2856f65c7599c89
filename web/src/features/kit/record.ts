/* Reading and changing a value inside a record by its path, without touching the rest. */

type Tree = Record<string, unknown> | unknown[];

export function valueAt(record: unknown, path: string): unknown {
  return path
    .split(".")
    .reduce<unknown>(
      (value, step) => (value as Record<string, unknown> | undefined)?.[step],
      record,
    );
}

export function withValue<T>(record: T, path: string, value: unknown): T {
  const [step = "", ...rest] = path.split(".");
  const copy = (Array.isArray(record) ? [...record] : { ...record }) as Tree;
  const inner = (copy as Record<string, unknown>)[step];
  (copy as Record<string, unknown>)[step] = rest.length
    ? withValue(inner, rest.join("."), value)
    : value;
  return copy as T;
}
