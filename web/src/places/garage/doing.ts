// What is done in the garage, and why it could not be.
import { ref } from "vue";
import { Refused } from "@/api/client";

export function useDoing() {
  const fault = ref("");

  async function doing(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
      fault.value = "";
    } catch (error) {
      fault.value = error instanceof Refused ? error.problem.detail : "That could not be done.";
    }
  }

  return { fault, doing };
}
