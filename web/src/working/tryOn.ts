// A change that is tried on: it is saved only when it is kept; until then it can be undo it. It is shown where it
// was tried on, and in the head once that is no longer on the page.
import { computed, onUnmounted, reactive, useId } from "vue";
import { useWorkbench } from "@/workbench/workbench";

const onThePage = reactive(new Set<string>());

export function useTryOn() {
  const workbench = useWorkbench();
  const own = useId();
  onThePage.add(own);
  onUnmounted(() => onThePage.delete(own));
  const last = computed(() => workbench.trials.at(-1) ?? null);

  return {
    tried: computed(() => (last.value?.by === own ? last.value : null)),
    tryOn: (title: string, make: () => Promise<boolean>) => workbench.tryOn({ title, by: own }, make),
    putBack: workbench.undo,
    keep: workbench.keep,
  };
}

/** A change tried on in a place that has been left since. */
export function useLeftTried() {
  const workbench = useWorkbench();
  return computed(() => {
    const last = workbench.trials.at(-1);
    return last && !onThePage.has(last.by) ? last : null;
  });
}
