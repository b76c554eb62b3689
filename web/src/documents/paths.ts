// Reading and changing documents by dotted path, never in place.

type Branch = Record<string, unknown>;

export function valueAt(document: unknown, path: string): unknown {
  return path.split(".").reduce<unknown>((place, name) => (place as Branch | undefined)?.[name], document);
}

export function withValue<T>(document: T, path: string, value: unknown): T {
  const [name = "", ...rest] = path.split(".");
  const branch = (Array.isArray(document) ? [...document] : { ...document }) as Branch;
  branch[name] = rest.length ? withValue(branch[name], rest.join("."), value) : value;
  return branch as T;
}
