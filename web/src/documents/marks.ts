// Marks on values: what was assumed or copied, and whether it has been confirmed for this car.
import { valueAt, withValue } from "./paths";

type Branch = Record<string, unknown>;

/** The location of a value's marks: the path of the document that holds it, and its name there. */
function home(path: string): { parent: string; name: string } {
  // One of several numbers is marked with all of them.
  const whole = path.replace(/\.\d+$/, "");
  const cut = whole.lastIndexOf(".");
  return { parent: whole.slice(0, cut), name: whole.slice(cut + 1) };
}

const listed = (document: unknown, path: string): string[] =>
  (valueAt(document, path) as string[] | undefined) ?? [];

/** Whether the value at a path came with the kind of car or with a copy, and has not been given yet. */
export function isUnconfirmed(document: unknown, path: string): boolean {
  const { parent, name } = home(path);
  return parent !== "" && listed(document, `${parent}.unconfirmed`).includes(name);
}

/** Whether an assumed value was accepted as it stands. */
export function isConfirmed(document: unknown, path: string): boolean {
  const { parent, name } = home(path);
  return listed(document, `${parent}.confirmed`).includes(name);
}

/** Marks a value as given for this car. */
export function given<T>(document: T, path: string, value: unknown): T {
  return withoutMark(withValue(document, path, value), path);
}

function withoutMark<T>(document: T, path: string): T {
  if (!isUnconfirmed(document, path)) return document;
  const { parent, name } = home(path);
  const marks = `${parent}.unconfirmed`;
  return withValue(
    document,
    marks,
    listed(document, marks).filter((one) => one !== name),
  );
}

/** An assumed or copied value, accepted as it stands. */
export function accepted<T>(document: T, path: string): T {
  if (isUnconfirmed(document, path)) return withoutMark(document, path);
  const { parent, name } = home(path);
  if (isConfirmed(document, path)) return document;
  return withValue(document, `${parent}.confirmed`, [...listed(document, `${parent}.confirmed`), name]);
}

const known = new WeakMap<object, number>();

/** The number of values in a document not given yet. */
export function countUnconfirmed(document: unknown): number {
  if (typeof document !== "object" || document === null) return 0;
  const before = known.get(document);
  if (before !== undefined) return before;
  const own = (document as Branch)["unconfirmed"];
  const inside = Object.values(document).reduce((sum: number, part) => sum + countUnconfirmed(part), 0);
  const count = (Array.isArray(own) ? own.length : 0) + inside;
  known.set(document, count);
  return count;
}
