<script setup lang="ts">
// A computed number: opens its working, and keeps the old value beside it as a ghost.
import { computed } from "vue";
import type { StateAnswer } from "@/api/client";
import { show, showNumber } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import { useSheet } from "./sheet";

const props = defineProps<{
  headline: string;
  dimension: string;
  label?: string;
  quiet?: boolean;
  pick: (answer: StateAnswer & { rod_force: number }) => number | null;
}>();
const workbench = useWorkbench();
const sheet = useSheet();

const number = (of: "now" | "before"): number | null => {
  const answer = of === "now" ? workbench.looked : workbench.ghostLooked;
  const assessment = of === "now" ? workbench.assessment : workbench.ghost?.assessment;
  return answer && assessment ? props.pick({ ...answer, rod_force: assessment.rod_force }) : null;
};
const now = computed(() => number("now"));
const before = computed(() => number("before"));
const ghost = computed(() => {
  if (now.value === null || before.value === null) return "";
  const was = showNumber(before.value, props.dimension);
  if (was === showNumber(now.value, props.dimension)) return "";
  return `${was} ${showNumber(now.value - before.value, props.dimension, true)}`;
});
</script>

<template>
  <button type="button" class="tag" :class="{ quiet }" :data-headline="headline" @click="sheet.work(headline)">
    <span v-if="label" class="label">{{ label }}</span
    >{{ label ? " " : "" }}<b>{{ show(now, dimension) }}</b>
    <i v-if="ghost" class="ghost" :aria-label="`before and difference: ${ghost}`">{{ ghost }}</i>
  </button>
</template>

<style scoped>
.tag {
  display: block;
  white-space: nowrap;
}
.tag:hover b {
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
}
b {
  font-weight: 500;
}
.quiet b {
  color: var(--soft);
  font-weight: 400;
}
.quiet {
  font-size: 0.86rem;
}
.ghost {
  color: var(--soft);
  font-family: var(--narrow);
  font-size: 0.78rem;
  margin-left: 0.25rem;
}
</style>
