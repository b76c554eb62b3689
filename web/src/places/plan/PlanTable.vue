<script setup lang="ts">
// The steps down, what is judged across: how everything stands now and after each step; a list on a phone.
import { computed } from "vue";
import type { Plan, PlanAnswer, PlanCell, PlanStep } from "@/api/client";
import VerdictMark from "@/signs/VerdictMark.vue";
import { show, showPhrase } from "@/units/units";
import { partWords } from "@/working/mend";

const props = defineProps<{ answer: PlanAnswer; plan: Plan | null; done: number }>();
defineEmits<{ putOn: [count: number] }>();
const steps = computed<readonly PlanStep[]>(() => props.plan?.steps ?? []);
const whatToDo = (step: PlanStep): string => step.parts.map(partWords).join(" and ");
const number = (cell: PlanCell): string => show(cell.number.value, cell.number.dimension);
const margin = (cell: PlanCell): string =>
  cell.margin.value === null ? "" : `${show(cell.margin.value, cell.margin.dimension)} ${cell.margin_words}`;
</script>

<template>
  <table>
    <caption class="away">
      The steps, and how everything stands after each
    </caption>
    <thead class="label">
      <tr>
        <th scope="col"><span class="away">step</span></th>
        <th scope="col">what to do</th>
        <th v-for="cell in answer.stands" :key="cell.key" scope="col">{{ cell.title }}</th>
        <th scope="col"><span class="away">try</span></th>
      </tr>
    </thead>
    <tbody>
      <tr class="now" :class="{ here: done === 0 }">
        <th scope="row" class="count">now</th>
        <td class="what"><b>as it stands</b></td>
        <td v-for="cell in answer.stands" :key="cell.key" class="cell" :data-title="cell.title">
          <span :class="cell.level"><VerdictMark :level="cell.level" /> {{ cell.word }}</span>
          <span class="label" :title="margin(cell)"
            >{{ number(cell) }}{{ cell.session ? `, ${cell.session}` : "" }}</span
          >
        </td>
        <td></td>
      </tr>
      <tr v-for="(step, at) in steps" :key="at" :class="{ here: done === at + 1 }">
        <th scope="row" class="count">{{ at + 1 }}</th>
        <td class="what">
          <b>{{ whatToDo(step) }}</b>
          <span class="label"
            >{{ show(step.time, "running time") }}{{ step.note ? ` · ${step.note}` : "" }}</span
          >
          <span>{{ showPhrase(step.buys) }}</span>
          <span v-for="cost in step.costs.slice(0, 1)" :key="cost.text" class="watch"
            >but: {{ showPhrase(cost) }}</span
          >
          <details v-if="step.costs.length > 1">
            <summary class="label">and {{ step.costs.length - 1 }} more</summary>
            <span v-for="cost in step.costs.slice(1)" :key="cost.text" class="watch">{{
              showPhrase(cost)
            }}</span>
          </details>
        </td>
        <td v-for="cell in step.stands" :key="cell.key" class="cell" :data-title="cell.title">
          <span :class="cell.level"><VerdictMark :level="cell.level" /> {{ cell.word }}</span>
          <span class="label" :title="margin(cell)"
            >{{ number(cell) }}{{ cell.session ? `, ${cell.session}` : "" }}</span
          >
        </td>
        <td class="try">
          <span v-if="done > at" class="label">on the bench</span>
          <button
            v-else
            class="plain-button"
            type="button"
            :disabled="done < 0"
            :aria-label="`try: step ${at + 1}, ${whatToDo(step)}`"
            @click="$emit('putOn', at + 1)"
          >
            try
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  border-bottom: 1px solid var(--rule);
  padding: 0.4rem 0.5rem 0.4rem 0;
  text-align: left;
  vertical-align: top;
}
thead th {
  font-weight: 500;
  vertical-align: bottom;
}
.now {
  background: var(--tint);
}
.here > .count {
  box-shadow: inset 3px 0 0 var(--ink);
}
.count {
  font-size: 1.15rem;
  padding-left: 0.5rem;
  width: 2.6rem;
}
.now .count {
  font-size: 0.95rem;
}
.what {
  min-width: 15rem;
  width: 26%;
}
.what > *,
.cell > * {
  display: block;
}
.what > span,
.what > details {
  font-size: 0.86rem;
}
.what > details > span {
  display: block;
}
summary {
  cursor: pointer;
}
.cell {
  font-size: 0.88rem;
}
.cell svg {
  vertical-align: -0.2em;
  width: 0.95rem;
}
.try {
  text-align: right;
  white-space: nowrap;
}
@media (max-width: 1020px) {
  thead {
    display: none;
  }
  table,
  tbody,
  tr,
  td {
    display: block;
  }
  tr {
    border-bottom: 1px solid var(--rule);
    padding: 0.4rem 0.4rem 0.5rem 3rem;
    position: relative;
  }
  th,
  td {
    border: 0;
    padding: 0;
  }
  .count {
    left: 0;
    position: absolute;
  }
  .what {
    min-width: 0;
    width: auto;
  }
  .cell {
    display: inline-block;
    margin-top: 0.3rem;
    padding-right: 0.5rem;
    width: 50%;
  }
  .cell::before {
    color: var(--soft);
    content: attr(data-title);
    display: block;
    font-family: var(--narrow);
    font-size: 0.78rem;
  }
}
</style>
