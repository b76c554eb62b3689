// What the field that has the focus says of itself, shown in one place of its own form, so that nothing jumps.
import { inject, provide, ref, type InjectionKey, type Ref } from "vue";

export interface Help {
  title: string;
  text: string;
}
const KEY: InjectionKey<Ref<Help | null>> = Symbol("help");

/** For the part of the page that has both the fields and their line. */
export function provideHelp(): Ref<Help | null> {
  const help = ref<Help | null>(null);
  provide(KEY, help);
  return help;
}

/** That of the form in which this stands. */
export const useHelp = (): Ref<Help | null> => inject(KEY, () => ref(null), true);
