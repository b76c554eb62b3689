// A change that is tried on: it can be kept, or put back as long as nothing else has been changed after it.
import { computed, ref } from "vue";
import { useWorkbench } from "@/workbench/workbench";

export function useTryOn() {
  const workbench = useWorkbench();
  const last = ref<{ title: string; changes: number } | null>(null);
  const tried = computed(() => (last.value?.changes === workbench.changes ? last.value : null));

  /** `change` says whether it was taken. */
  async function tryOn(title: string, change: () => Promise<boolean>): Promise<void> {
    if (await change()) last.value = { title, changes: workbench.changes };
  }

  async function putBack(): Promise<void> {
    await workbench.undo();
    last.value = null;
  }

  return { tried, tryOn, putBack, keep: () => (last.value = null) };
}
