<script setup lang="ts">
// Values not measured for this car yet, and the effect of each on the lock order, the largest first.
import { computed, ref } from "vue";
import { DASH, show, showSizes } from "@/units/units";
import type { Schemas } from "@/api/client";
import { useUnmeasured } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import { useSheet } from "@/working/sheet";

const workbench = useWorkbench();
const unmeasured = useUnmeasured();
const sheet = useSheet();
unmeasured.keepFresh();
const all = ref(false);
const items = computed(() => unmeasured.answer?.items ?? []);
const moving = computed(() => items.value.filter((one) => one.effect || one.loses_a_lock));
const shown = computed(() => (all.value ? items.value : moving.value));
const still = computed(() => items.value.length - moving.value.length);

function valueOf({ value, dimension }: Schemas["Unmeasured"]): string {
  if (Array.isArray(value)) return showSizes(value as number[], dimension ?? "ratio");
  if (typeof value === "number") return show(value, dimension ?? "ratio");
  if (typeof value === "boolean") return value ? "yes" : "no";
  return String(value);
}
</script>

<template>
  <section class="measure" aria-label="Still to measure">
    <h2>Still to measure</h2>
    <p v-if="unmeasured.trouble" class="bad" role="alert">{{ unmeasured.trouble }}</p>
    <p v-else-if="!unmeasured.answer" class="label" role="status">Working out what matters…</p>
    <p v-else-if="!items.length" class="good">Everything was given or confirmed for this car.</p>
    <p v-else class="label">
      By how much each can move the lock order (how much later the rear locks than the front, worst state).
      {{ unmeasured.answer.by_numbers }}
    </p>
    <ul :class="{ stale: unmeasured.stale }">
      <li v-for="one in shown" :key="one.path">
        <button type="button" class="what" @click="sheet.part(one.title, [one.path])">
          <span>{{ one.title }}</span>
          <span class="label"
            >{{ valueOf(one) }}, <span class="watch">{{ one.copied ? "copied" : "assumed" }}</span></span
          >
        </button>
        <b v-if="one.loses_a_lock">one end may never lock</b>
        <b v-else-if="one.effect">{{ show(one.effect, "deceleration") }}</b>
        <span v-else class="label">{{ one.effect === null ? DASH : "no effect on it" }}</span>
        <button class="plain-button" type="button" @click="workbench.confirm(one.path)">
          confirm<span class="away">: {{ one.title }}</span>
        </button>
      </li>
    </ul>
    <button v-if="still && !all" class="plain-button" type="button" @click="all = true">
      {{ still }} with no effect
    </button>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1rem;
  font-weight: 600;
}
ul {
  list-style: none;
}
.stale {
  opacity: 0.5;
}
li {
  align-items: center;
  border-top: 1px solid var(--rule);
  column-gap: 0.6rem;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  padding: 0.2rem 0;
}
.what > span {
  display: block;
}
.what > :first-child {
  font-size: 0.92rem;
  text-decoration: underline;
  text-decoration-color: var(--rule);
  text-underline-offset: 3px;
}
b {
  font-weight: 500;
  white-space: nowrap;
}
</style>
