// The side sheet: what is open in it, the working of a number, the reason of a verdict, or the sizes of a part.
import { defineStore } from "pinia";
import { shallowRef } from "vue";

export type SheetContent =
  | { kind: "working"; headline: string }
  | { kind: "verdict"; key: string }
  | { kind: "part"; title: string; paths: readonly string[] };

export const useSheet = defineStore("sheet", () => {
  const content = shallowRef<SheetContent | null>(null);
  return {
    content,
    work: (headline: string) => (content.value = { kind: "working", headline }),
    explain: (key: string) => (content.value = { kind: "verdict", key }),
    part: (title: string, paths: readonly string[]) => (content.value = { kind: "part", title, paths }),
    close: () => (content.value = null),
  };
});
