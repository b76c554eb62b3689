// What the documents say of their own fields: label, unit, bounds, usual range, help. Read once from the server.
import type { UnitSystem } from "@/units/units";

export interface FieldMeta {
  title: string;
  help: string;
  dimension: string | null;
  usual: [number, number] | null;
  /** What is taken at all. */
  bounds: [number, number];
  assumption: string | null;
  preset: unknown;
  choices: string[] | null;
  many: boolean;
  optional: boolean;
  /** How long a text, or how many in a list, it takes. */
  most: number;
  /** Yes or no. */
  flag: boolean;
}

interface Node {
  $ref?: string;
  title?: string;
  description?: string;
  properties?: Record<string, Node>;
  items?: Node;
  anyOf?: Node[];
  enum?: string[];
  type?: string;
  dimension?: string;
  usual?: [number, number];
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
    bounds: boundsOf(node),
    assumption: node.assumption ?? null,
    preset: node.default,
    choices: node.enum ?? null,
    most: node.maxItems ?? node.maxLength ?? Infinity,
    many: node.type === "array",
    flag: node.type === "boolean",
    optional: node.anyOf?.some((option) => option.type === "null") ?? false,
  };
}

export const UNIT_SYSTEMS: { value: UnitSystem; label: string }[] = [
  { value: "metric", label: "Metric" },
  { value: "imperial", label: "Imperial" },
  { value: "mixed", label: "Mixed" },
];
