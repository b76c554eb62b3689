<script setup lang="ts">
// The shop's own hours for each kind of work: "least work" counts them.
import { reactive } from "vue";
import { showNumber } from "@/units/units";
import { usePlan } from "@/workbench/plan";

const plan = usePlan();
const MOST = 1000;
/** What was typed and is no number of hours: it stays in its field. */
const wrong = reactive<Record<string, string>>({});

function typed(work: string, text: string): void {
  const hours = Number(text.replace(",", "."));
  const given = text.trim() !== "" && Number.isFinite(hours) && hours >= 0 && hours <= MOST;
  if (!given) {
    wrong[work] = text;
    return;
  }
  delete wrong[work];
  void plan.limit({ hours: { ...plan.limits.hours, [work]: hours } });
}
</script>

<template>
  <details v-if="plan.answer" class="hours">
    <summary class="label">Hours of work at one axle</summary>
    <ul>
      <li v-for="one in plan.answer.hours" :key="one.work">
        <label>
          <span>{{ one.title }}</span>
          <input
            :value="wrong[one.work] ?? plan.limits.hours[one.work] ?? showNumber(one.time, 'running time')"
            inputmode="decimal"
            autocomplete="off"
            :aria-label="`Hours: ${one.title}`"
            @change="typed(one.work, ($event.target as HTMLInputElement).value)"
          />
          h
        </label>
        <p v-if="one.work in wrong" class="bad" role="alert">Hours from 0 to {{ MOST }}, such as 1.5.</p>
      </li>
    </ul>
    <button
      v-if="Object.keys(plan.limits.hours).length"
      class="plain-button"
      type="button"
      @click="plan.limit({ hours: {} })"
    >
      Plimbo's own hours again
    </button>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
ul {
  display: grid;
  gap: 0.1rem 1rem;
  grid-template-columns: repeat(auto-fill, minmax(13rem, 1fr));
  list-style: none;
  margin: 0.3rem 0;
  padding: 0;
}
label {
  align-items: center;
  display: grid;
  font-size: 0.88rem;
  gap: 0.3rem;
  grid-template-columns: 1fr 4rem auto;
  min-height: 2rem;
}
input {
  text-align: right;
}
</style>
