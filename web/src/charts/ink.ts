// The colours of the sheet as it is now, by day or by night, as the charts need them.
import { computed, type ComputedRef } from "vue";
import { useLibrary } from "@/workbench/library";

export type Ink = Record<"paper" | "tint" | "rule" | "soft" | "ink" | "front" | "rear" | "bad", string>;

export function currentInk(): Ink {
  const style = getComputedStyle(document.documentElement);
  const names = ["paper", "tint", "rule", "soft", "ink", "front", "rear", "bad"] as const;
  return Object.fromEntries(names.map((name) => [name, style.getPropertyValue(`--${name}`).trim()])) as Ink;
}

/** Read again when day turns to night: the colours stand in the style sheet. */
export function useInk(): ComputedRef<Ink> {
  const library = useLibrary();
  return computed(() => {
    void library.desk.dark;
    return currentInk();
  });
}
