<script setup lang="ts">
// Parts that stay, and kinds of work that are left out; a change makes the plan again.
import { computed } from "vue";
import { hasTandem } from "@/documents/fitted";
import { usePlan } from "@/workbench/plan";
import { useWorkbench } from "@/workbench/workbench";
import PlanHours from "./PlanHours.vue";

const plan = usePlan();
const workbench = useWorkbench();
const tandem = computed(() => workbench.bench !== null && hasTandem(workbench.bench.setup));
const PARTS = [
  ["front caliper", "front calipers"],
  ["rear caliper", "rear calipers"],
  ["front disc", "front discs"],
  ["rear disc", "rear discs"],
  ["front pads", "front pads"],
  ["rear pads", "rear pads"],
  ["front duct", "front ducts"],
  ["rear duct", "rear ducts"],
] as const;
const parts = computed(() => [
  ...PARTS,
  ...(tandem.value
    ? ([["cylinder", "cylinder and valve"]] as const)
    : ([
        ["front cylinder", "front cylinder"],
        ["rear cylinder", "rear cylinder"],
      ] as const)),
  ["pedal", "pedal and booster"] as const,
  ["fluid", "fluid"] as const,
]);
const WORK = [
  ["disc", "no discs"],
  ["caliper", "no calipers"],
  ["duct", "no ducts"],
  ["pedal", "no pedal"],
  ["cylinder", "no cylinders"],
  ["setting", "no settings or laps"],
] as const;

function toggled(list: readonly string[], one: string): string[] {
  return list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
}
</script>

<template>
  <section aria-label="What may not be touched">
    <h2>Mine stay</h2>
    <p class="ticks">
      <label v-for="[key, title] in parts" :key="key">
        <input
          type="checkbox"
          :checked="plan.limits.pinned.includes(key)"
          @change="plan.limit({ pinned: toggled(plan.limits.pinned, key) })"
        />
        {{ title }}
      </label>
    </p>
    <h2>Left out</h2>
    <p class="ticks">
      <label v-for="[key, title] in WORK" :key="key">
        <input
          type="checkbox"
          :checked="plan.limits.left_out.includes(key)"
          @change="plan.limit({ left_out: toggled(plan.limits.left_out, key) })"
        />
        {{ title }}
      </label>
    </p>
    <PlanHours />
  </section>
</template>

<style scoped>
h2 {
  font-size: 1rem;
  font-weight: 600;
}
.ticks {
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 1rem;
  margin-bottom: 0.4rem;
}
label {
  align-items: center;
  display: flex;
  font-size: 0.88rem;
  gap: 0.3rem;
  min-height: 2rem;
}
</style>
