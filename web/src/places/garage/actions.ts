// Actions in the garage, and why one failed.
import { ref } from "vue";
import { Refused } from "@/api/client";

export function useActions() {
  const fault = ref("");

  async function run(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
      fault.value = "";
    } catch (error) {
      fault.value = error instanceof Refused ? error.problem.detail : "That could not be done.";
    }
  }

  return { fault, run };
}
