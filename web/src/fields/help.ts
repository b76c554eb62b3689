// Which field says what it is and how to measure it: the last one in its form that had the focus.
import { inject, provide, ref, type InjectionKey, type Ref } from "vue";

const KEY: InjectionKey<Ref<string>> = Symbol("help");
let pressed = false;
window.addEventListener("pointerdown", () => (pressed = true), { capture: true });
for (const end of ["pointerup", "pointercancel"] as const)
  window.addEventListener(end, () => (pressed = false), { capture: true });

/** For the part of the page of whose fields one speaks at a time. */
export function provideHelp(): Ref<string> {
  const speaks = ref("");
  provide(KEY, speaks);
  return speaks;
}

/** That of the form in which this stands: the id of the field that speaks. */
export const useHelp = (): Ref<string> => inject(KEY, () => ref(""), true);

/** At once by key; after a press of the pointer is over, so that nothing moves under it. */
export function whenReleased(then: () => void): void {
  if (pressed) window.addEventListener("pointerup", () => setTimeout(then), { once: true, capture: true });
  else then();
}
