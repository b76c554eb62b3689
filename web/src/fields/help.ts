// The field whose help is shown: the last one in its form that had the focus.
import { inject, provide, ref, type InjectionKey, type Ref } from "vue";

const KEY: InjectionKey<Ref<string>> = Symbol("help");
let pressed = false;
const waiting: (() => void)[] = [];
window.addEventListener("pointerdown", () => (pressed = true), { capture: true });
for (const end of ["pointerup", "pointercancel"] as const)
  window.addEventListener(end, released, { capture: true });

function released(): void {
  pressed = false;
  setTimeout(() => waiting.splice(0).forEach((then) => then()));
}

/** For the part of the page in which one field shows its help at a time. */
export function provideHelp(): Ref<string> {
  const speaks = ref("");
  provide(KEY, speaks);
  return speaks;
}

/** The id of the field whose help is shown in this form. */
export const useHelp = (): Ref<string> => inject(KEY, () => ref(""), true);

/** At once by key; after a press of the pointer is over, so that nothing moves under it. */
export function whenReleased(then: () => void): void {
  if (pressed) waiting.push(then);
  else then();
}
