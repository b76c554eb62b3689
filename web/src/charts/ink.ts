// The colours of the sheet as it is now, by day or by night, as the charts need them.
export type Ink = Record<"paper" | "rule" | "soft" | "ink" | "front" | "rear" | "bad", string>;

export function currentInk(): Ink {
  const style = getComputedStyle(document.documentElement);
  const names = ["paper", "rule", "soft", "ink", "front", "rear", "bad"] as const;
  return Object.fromEntries(names.map((name) => [name, style.getPropertyValue(`--${name}`).trim()])) as Ink;
}
