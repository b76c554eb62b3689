// All pairs of stock cylinders for the bench, and the typed target.
import { defineStore } from "pinia";
import { ref } from "vue";
import { api, ask, type CylinderTable } from "@/api/client";
import { question } from "@/workbench/question";

/** The typed target. */
const target = ref("");

export const useCylinders = defineStore("cylinders", () => ({
  target,
  ...question<CylinderTable>(
    ({ car, setup }) =>
      ask(
        api.POST("/api/cylinders", {
          body: { car: { ...car, sessions: [] }, setup, target: target.value },
        }),
      ),
    { about: () => target.value },
  ),
}));
