// The metadata of the documents' fields: label, unit, bounds, usual range, help. Read once from the server.
import type { UnitSystem } from "@/units/units";

export interface FieldMeta {
  title: string;
  help: string;
  dimension: string | null;
  usual: [number, number] | null;
  /** The sizes that are sold. */
  sizes: readonly number[];
  /** The first values of a new item in a list. */
  fresh: readonly unknown[];
  /** The allowed range. */
  bounds: [number, number];
  assumption: string | null;
  preset: unknown;
  /** Keys of what may be chosen, each with its word. */
  choices: Choices | null;
  many: boolean;
  optional: boolean;
  /** How long a text, or how many in a list, it takes. */
  most: number;
  /** Yes or no. */
  flag: boolean;
}

/** A choice that another choice excludes, and the change that allows it; paths within the document. */
export interface Conflict {
  path: string;
  value: unknown;
  against: Record<string, unknown>;
  remedy: string;
  makes_room: Record<string, unknown>;
}

/** The words for the keys of a choice, in their order. */
export type Choices = Readonly<Record<string, string>>;

interface Node {
  $ref?: string;
  title?: string;
  description?: string;
  properties?: Record<string, Node>;
  items?: Node;
  anyOf?: Node[];
  enum?: string[];
  words?: Record<string, string>;
  type?: string;
  dimension?: string;
  usual?: [number, number];
  sizes?: number[];
  new?: unknown[];
  conflicts?: Conflict[];
  assumption?: string;
  default?: unknown;
  maxItems?: number;
  maxLength?: number;
  minimum?: number;
  exclusiveMinimum?: number;
  maximum?: number;
  exclusiveMaximum?: number;
}

/** Bounds of a number, of the one that may be none, or of each in a list. */
function boundsOf(node: Node): [number, number] {
  const held = [node, ...(node.anyOf ?? []), ...(node.items ? [node.items] : [])].map(resolved);
  const all = (pick: (one: Node) => (number | undefined)[]) =>
    held.flatMap(pick).filter((one) => one !== undefined);
  const low = all((one) => [one.minimum, one.exclusiveMinimum]);
  const high = all((one) => [one.maximum, one.exclusiveMaximum]);
  return [Math.max(-Infinity, ...low), Math.min(Infinity, ...high)];
}

let root: Node & { $defs: Record<string, Node> } = { $defs: {} };

export function learnSchema(schema: unknown): void {
  root = schema as typeof root;
}

function resolved(node: Node | undefined): Node {
  const target = node?.$ref ? (root.$defs[node.$ref.split("/").pop() ?? ""] ?? {}) : (node ?? {});
  return node?.$ref ? { ...target, ...node, $ref: undefined, properties: target.properties } : target;
}

function nodeAt(path: string): Node {
  let node: Node = root;
  for (const name of path.split(".")) {
    node = /^\d+$/.test(name) ? resolved(node.items) : resolved(resolved(node).properties?.[name]);
  }
  return node;
}

/** Not fields to be typed into: one is kept by the page, the other has its own editor. */
const APART = new Set(["confirmed", "unconfirmed", "copied_from", "friction_curve"]);

/** Paths of the fields in the document at a path, in their order. */
export function fieldsOf(path: string): string[] {
  const names = Object.keys(nodeAt(path).properties ?? {}).filter((name) => !APART.has(name));
  return names.map((name) => `${path}.${name}`);
}

/** The field at a path such as `car.front_tyre.friction`; numbers in the path pick from a list. */
export function fieldAt(path: string): FieldMeta {
  const found = nodeAt(path);
  // One of several plain numbers is what the list says it is.
  const list =
    /\.\d+$/.test(path) && !found.dimension && !found.properties ? nodeAt(path.replace(/\.\d+$/, "")) : {};
  const node = { ...list, ...found };
  return {
    title: node.title ?? path,
    help: node.description ?? "",
    dimension: node.dimension ?? null,
    usual: node.usual ?? null,
    sizes: node.sizes ?? [],
    fresh: node.new ?? [],
    bounds: boundsOf(node),
    assumption: node.assumption ?? null,
    preset: node.default,
    choices: node.enum ? (node.words ?? Object.fromEntries(node.enum.map((key) => [key, key]))) : null,
    most: node.maxItems ?? node.maxLength ?? Infinity,
    many: node.type === "array",
    flag: node.type === "boolean",
    optional: node.anyOf?.some((option) => option.type === "null") ?? false,
  };
}

/** The conflicts in the document at a path. */
export const conflictsIn = (path: string): readonly Conflict[] => nodeAt(path).conflicts ?? [];

/** The word for the key that is chosen at a path. */
export const wordAt = (path: string, key: string): string => fieldAt(path).choices?.[key] ?? key;

const whole = new WeakSet<object>();

/**
 * A value at a path with all defaults filled in: a value not given is the one that the server uses. The same object
 * where there is nothing to add.
 */
export function filled<T>(path: string, value: T): T {
  return root.properties ? (filledAs(nodeAt(path), value) as T) : value;
}

function filledAs(node: Node, value: unknown): unknown {
  if (typeof value !== "object" || value === null || whole.has(value)) return value;
  const made = Array.isArray(value) ? filledList(node, value) : filledDocument(node, value);
  whole.add(made);
  return made;
}

function filledList(node: Node, list: readonly unknown[]): readonly unknown[] {
  const item = resolved(node.items);
  const made = list.map((one) => filledAs(item, one));
  return made.every((one, place) => one === list[place]) ? list : made;
}

function filledDocument(node: Node, document: object): object {
  const known = document as Record<string, unknown>;
  const own =
    node.properties ?? node.anyOf?.map(resolved).find((option) => option.properties)?.properties ?? {};
  const changes: Record<string, unknown> = {};
  for (const [name, field] of Object.entries(own)) {
    const held = known[name];
    const made = held === undefined ? structuredClone(field.default) : filledAs(resolved(field), held);
    if (made !== held) changes[name] = made;
  }
  return Object.keys(changes).length ? { ...document, ...changes } : document;
}

export const UNIT_SYSTEMS: { value: UnitSystem; label: string }[] = [
  { value: "metric", label: "Metric" },
  { value: "imperial", label: "Imperial" },
  { value: "mixed", label: "Mixed" },
];
