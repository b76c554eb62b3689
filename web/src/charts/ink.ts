// The colours of the sheet as the charts need them, by day and by night.
export type Ink = Record<"paper" | "rule" | "soft" | "ink" | "front" | "rear" | "bad", string>;

export function inkOf(_dark: boolean): Ink {
  const style = getComputedStyle(document.documentElement);
  const names = ["paper", "rule", "soft", "ink", "front", "rear", "bad"] as const;
  return Object.fromEntries(names.map((name) => [name, style.getPropertyValue(`--${name}`).trim()])) as Ink;
}
