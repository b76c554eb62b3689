<script setup lang="ts">
// A computed number: opens its working, and keeps the old value beside it as a ghost.
import { computed } from "vue";
import { WORDS } from "@/help/words";
import { show, showNumber } from "@/units/units";
import { numbersOf } from "./numbers";
import { useSheet } from "./sheet";

const props = defineProps<{
  /** Where the number stands, see `numbers.ts`. */
  headline: string;
  dimension: string;
  label?: string;
  /** Of one wheel, one caliper or both wheels of an axle, where it could be taken for another. */
  whose?: string;
  quiet?: boolean;
  /** The ghost is above the number (a quiet one: below it) if there is no room beside it. */
  stacked?: boolean;
  /** In a table, whose head says its unit and which has a column for what it was. */
  bare?: boolean;
}>();
const sheet = useSheet();

const numbers = computed(() => numbersOf(props.headline));
const now = computed(() => numbers.value.now);
const before = computed(() => numbers.value.before);
const ghost = computed(() => {
  if (now.value === null || before.value === null) return null;
  const was = showNumber(before.value, props.dimension);
  if (was === showNumber(now.value, props.dimension)) return null;
  const by = showNumber(now.value - before.value, props.dimension, true);
  return { was, by: /[1-9]/.test(by) ? by : "" }; // the last digit may change by rounding alone
});
</script>

<template>
  <button
    type="button"
    class="tag"
    :class="{ quiet, stacked }"
    :data-headline="headline"
    :title="label && WORDS[label]"
    @click="sheet.work(headline)"
  >
    <span v-if="label && !bare" class="label"
      >{{ label }}<span v-if="whose" class="whose">, {{ whose }}</span></span
    >{{ label && !bare ? " " : "" }}<b>{{ bare ? showNumber(now, dimension) : show(now, dimension) }}</b>
    <i v-if="ghost && !bare" class="ghost"
      ><span class="was">{{ ghost.was }}</span> {{ ghost.by }}</i
    >
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
.stacked {
  display: flex;
  flex-direction: column-reverse;
}
.stacked.quiet {
  display: block;
}
.stacked .ghost {
  display: block;
  margin: 0;
}
@media (max-width: 1150px) {
  .quiet:not(.stacked) .was,
  .whose {
    display: none;
  }
}
.ghost {
  color: var(--soft);
  font-family: var(--narrow);
  font-size: 0.78rem;
  margin-left: 0.25rem;
}
</style>
