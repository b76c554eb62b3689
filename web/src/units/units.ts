// Shows and reads numbers in the user's units. The table comes from the server; no formula of the job is here.
import { reactive } from "vue";
import type { DimensionUnits, FieldError, Phrase, Unit } from "@/api/client";

export type UnitSystem = "metric" | "imperial" | "mixed";

export const units = reactive({
  system: "mixed" as UnitSystem,
  table: {} as Record<string, DimensionUnits>,
});

export const DASH = "–";
const NO_UNIT: Unit = {
  symbol: "",
  symbol_of_one: "",
  aliases: [],
  factor: 1,
  offset: 0,
  digits: 3,
  whole: false,
  fraction: 1,
};

/** The unit in which this dimension is shown now. */
export function unitOf(dimension: string): Unit {
  const dimensionUnits = units.table[dimension];
  const unit = dimensionUnits?.units[dimensionUnits[units.system]];
  return unit ?? NO_UNIT;
}

function grouped(text: string): string {
  const [whole = "", decimals] = text.split(".");
  const spaced = whole.replace("-", "").length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, "\u202f") : whole;
  return (decimals === undefined ? spaced : `${spaced}.${decimals}`).replace("-", "−");
}

const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a);

/** As the trade says it where it is a whole number of such parts, 13/16; null where it is none. */
function inFractions(value: number, parts: number): string | null {
  const count = Math.round(value * parts);
  if (count <= 0 || Math.abs(value * parts - count) > 0.002) return null;
  const whole = Math.floor(count / parts);
  const rest = count % parts;
  if (rest === 0) return String(whole);
  const shared = gcd(rest, parts);
  return `${whole ? `${whole} ` : ""}${rest / shared}/${parts / shared}`;
}

/** The number alone, without its unit. */
export function showNumber(value: number | null | undefined, dimension: string, signed = false): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return DASH;
  const unit = unitOf(dimension);
  const shown = value / unit.factor - unit.offset;
  const sign = signed && shown > 0 ? "+" : "";
  const fraction = unit.fraction > 1 && !signed ? inFractions(shown, unit.fraction) : null;
  if (fraction !== null) return fraction;
  const decimals = shown.toFixed(unit.digits);
  const text = unit.whole ? decimals.replace(/\.0+$/, "") : decimals;
  return sign + grouped(Number(text) === 0 ? text.replace("-", "") : text);
}

/** Number and unit together; a degree stands at its number. */
function withUnit(number: string, dimension: string): string {
  const unit = unitOf(dimension);
  const symbol = /^[+−]?1$/.test(number) ? unit.symbol_of_one : unit.symbol;
  if (number === DASH || !symbol) return number;
  return symbol === "°" ? number + symbol : `${number}\u00a0${symbol}`;
}

/** The number with its unit. */
export function show(value: number | null | undefined, dimension: string, signed = false): string {
  return withUnit(showNumber(value, dimension, signed), dimension);
}

/** Several sizes of one part, such as pistons. */
export function showSizes(sizes: readonly number[], dimension: string): string {
  return withUnit(sizes.map((size) => showNumber(size, dimension)).join(" + "), dimension);
}

/** A sentence of the server with its numbers in the user's units. */
export function showPhrase(phrase: Phrase): string {
  return phrase.text.replace(/\{(\w+)(:\+)?\}/g, (_, name: string, signed?: string) => {
    const number = phrase.values[name];
    return number ? show(number.value, number.dimension, signed !== undefined) : DASH;
  });
}

/** A field's error with its limit in the user's units. */
export function showError(error: FieldError): string {
  const { limit } = error;
  return error.message.replace("{limit}", limit ? show(limit.value, limit.dimension) : "");
}

const PLAIN = String.raw`[+\-−]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?`;
const TYPED = new RegExp(String.raw`^(?:(\d+)[\s-]+)?(?:(\d+)\s*/\s*(\d+)|(${PLAIN}))\s*(.*)$`, "i");
const VULGAR: Record<string, string> = {
  "½": "1/2",
  "¼": "1/4",
  "¾": "3/4",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
};
const plainly = (text: string): string => text.toLowerCase().replace(/[\s·.]/g, "");

/** As it may be typed or pasted: `1 180`, `¾`, `1⅛`. */
const tidied = (text: string): string =>
  text
    .trim()
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (sign) => ` ${VULGAR[sign]}`)
    .replace(/\u2044/g, "/")
    .replace(/(\d)[ \u00a0\u202f](?=\d{3}(?!\d|\s*\/))/g, "$1")
    .trim();

interface Typed {
  value: number;
  unit: string;
}

/** The number and the unit that were typed; words where it is no number. */
function read(text: string): Typed | string {
  const match = TYPED.exec(tidied(text));
  if (!match) return "Type a number, with a unit if you like: 19.05, 7/8 in.";
  const [, whole, top, bottom, plain, unit = ""] = match;
  if (whole && plain) return "Type one number.";
  const value = plain
    ? Number(plain.replace(",", ".").replace("−", "-"))
    : Number(whole ?? 0) + Number(top) / Number(bottom);
  return Number.isFinite(value) ? { value, unit } : "That is not a finite number.";
}

const inUnit = (value: number, unit: Unit): number => (value + unit.offset) * unit.factor;

/** What was typed, in SI: `7/8in`, `19.05`, `0.7 in`, `1 1/8 in`. Without a unit it is the one shown. */
export function parse(text: string, dimension: string): number | string {
  const typed = read(text);
  if (typeof typed === "string") return typed;
  const wanted = plainly(typed.unit);
  const known = units.table[dimension]?.units ?? [];
  const named = known.find((unit) => [unit.symbol, ...unit.aliases].some((name) => plainly(name) === wanted));
  const unit = wanted === "" ? unitOf(dimension) : named;
  if (!unit) {
    const names = known.map((candidate) => candidate.symbol).filter(Boolean);
    return `“${typed.unit.trim()}” is not a unit for this. Use ${names.join(", ") || "a plain number"}.`;
  }
  return inUnit(typed.value, unit);
}

/** What else was meant by a bare number: another unit than the field's, or thousands. */
export interface Offer {
  value: number | number[];
  words: string;
}

/** A comma stands for a decimal point, unless nothing sensible comes of it: `1,180` kg. */
const GROUPED = /^\d{1,3}(?:,\d{3})+$/;

const between = (value: number, [low, high]: readonly [number, number]): boolean =>
  value >= low && value <= high;

/**
 * Where a bare number is impossible in the field's own unit, but usual in another: that one, to be offered. Of a share,
 * less than one hundredth counts as impossible where that is not usual.
 */
export function otherUnit(
  text: string,
  dimension: string,
  limits: { bounds: readonly [number, number]; usual: readonly [number, number] | null },
): Offer | null {
  const { bounds, usual } = limits;
  if (!usual) return null;
  const typed = text.split(/\s*\+\s*/).map(read);
  if (!typed.every((one) => typeof one !== "string" && one.unit === "")) return null;
  const numbers = (typed as Typed[]).map((one) => one.value);
  const own = unitOf(dimension);
  const possible = (value: number): boolean =>
    between(value, bounds) && !(dimension === "share" && value < 0.01 && usual[0] > 0.01);
  if (numbers.every((value) => possible(inUnit(value, own)))) return null;
  const thousands = inUnit(Number(text.replaceAll(",", "")), own);
  if (GROUPED.test(text.trim()) && between(thousands, usual))
    return { value: thousands, words: show(thousands, dimension) };
  for (const unit of units.table[dimension]?.units ?? []) {
    if (unit === own) continue;
    const values = numbers.map((value) => inUnit(value, unit));
    if (!values.every((value) => between(value, usual))) continue;
    const words = unit.symbol ? `${text.trim()}\u00a0${unit.symbol}` : show(values[0], dimension);
    return { value: values.length > 1 ? values : values[0]!, words };
  }
  return null;
}

/** Several sizes, joined by +. */
export function parseSizes(text: string, dimension: string): number[] | string {
  const parts = text.split(/\s*\+\s*|\s*;\s*/).filter((part) => part.trim());
  // A unit after the last size counts for all of them: "38.1 + 41.3 mm".
  const unit = /[a-z"]+\s*$/i.exec(text)?.[0] ?? "";
  const sizes: number[] = [];
  for (const part of parts) {
    const size = parse(/[a-z"]/i.test(part) ? part : `${part} ${unit}`, dimension);
    if (typeof size === "string") return size;
    sizes.push(size);
  }
  return sizes.length ? sizes : "Type at least one size.";
}
