<script setup lang="ts">
// The smallest duct that holds: started, followed while it runs, cancelled; and what to try before a duct.
import { computed, onMounted } from "vue";
import type { DuctRow } from "@/api/client";
import ChartFigure from "@/charts/ChartFigure.vue";
import { sizingOption, sizingRows, sizingWords } from "@/charts/ductSizing";
import { useInk } from "@/charts/ink";
import VerdictMark from "@/signs/VerdictMark.vue";
import { show, showNumber, showPhrase } from "@/units/units";
import { useAir, useDuctFlow } from "@/workbench/air";
import { useWorkbench } from "@/workbench/workbench";
import TriedLine from "@/working/TriedLine.vue";
import { useTryOn } from "@/working/tryOn";

const air = useAir();
const flow = useDuctFlow();
const workbench = useWorkbench();
const ink = useInk();
onMounted(() => void air.find());
const running = computed(() => air.job?.state === "running");
const sizing = computed(() => (air.job?.state === "done" ? air.job.answer : null));
/** Identifies the car and setup of the question; ticks and names are left out. */
const stale = computed(() => sizing.value && flow.answer && air.job?.question !== flow.answer.question);
const answer = computed(() =>
  sizing.value && sizing.value.answer !== null ? (sizing.value.rows[sizing.value.answer] ?? null) : null,
);
const { tried, tryOn, putBack, keep } = useTryOn();
const putOn = (title: string, patch: Record<string, unknown>) =>
  tryOn(title, () => workbench.editAll("setup", patch));
/** Which of them is on the car now. */
const isFitted = (row: DuctRow): boolean => row.key === flow.answer?.key;
const sessions = computed(() => workbench.bench?.car.sessions.length ?? 0);
</script>

<template>
  <section class="panel" aria-label="The smallest duct that holds">
    <header>
      <h2>{{ sizing ? sizing.word : "Which duct?" }}</h2>
      <button v-if="!running" class="plain-button" type="button" :disabled="!sessions" @click="air.size()">
        {{ sizing ? "Size again" : "Size the duct" }}
      </button>
      <button v-else class="plain-button" type="button" @click="air.cancel()">Stop</button>
    </header>
    <p v-if="air.trouble" class="bad" role="alert">{{ air.trouble }}</p>
    <div v-if="running" role="status">
      <progress :value="air.job?.done ?? 0" :max="air.job?.of || 1" aria-label="Ducts simulated" />
      <p class="label">
        Driving every session with every hose, {{ air.job?.done }} of {{ air.job?.of || "…" }}. It goes on
        while you look elsewhere.
      </p>
    </div>
    <p v-else-if="air.job?.state === 'failed'" class="bad" role="status">{{ air.job.trouble }}</p>
    <p v-else-if="air.job?.state === 'interrupted'" class="watch" role="status">
      Plimbo was stopped in the middle of it: the sizing was interrupted. Size it again.
    </p>
    <p v-else-if="!sizing && !sessions" class="label">
      A duct is sized by the car's sessions:
      <RouterLink class="plain-button" :to="{ name: 'heat' }">add one on Heat</RouterLink>
    </p>
    <p v-else-if="!sizing" class="label">
      Every session of the car is simulated with every stock hose: the smallest that keeps the hottest one in
      the pads' window, and what would do before a duct.
    </p>
    <template v-if="sizing">
      <p v-if="stale" class="watch" role="status">Of the setup as it was before: size it again.</p>
      <div :class="{ stale }">
        <p v-for="one in sizing.sentences" :key="one.text" class="reason">{{ showPhrase(one) }}</p>
        <p class="everything" data-testid="everything">
          <VerdictMark :level="sizing.everything.level" /> {{ sizing.everything.word }}
        </p>
        <TriedLine :tried="tried" @keep="keep" @put-back="putBack" />
        <p class="choice">
          <button
            v-if="sizing.first"
            class="plain-button"
            type="button"
            @click="putOn(sizing.first_title, sizing.first)"
          >
            Try: {{ sizing.first_title }}
          </button>
          <button
            v-if="answer && !isFitted(answer)"
            class="plain-button"
            type="button"
            @click="putOn(answer.bore ? `${answer.title} duct` : answer.title, answer.patch)"
          >
            Try: {{ answer.title }}{{ answer.bore ? " duct" : "" }}
          </button>
          <RouterLink v-if="sizing.left.length" class="plain-button" :to="{ name: 'plan' }"
            >Plan for the whole car</RouterLink
          >
        </p>
        <div class="chart">
          <ChartFigure
            :title="`Peak and coldest over hose, ${sizing.axle}`"
            :option="sizingOption(sizing, air.axle, ink, sizing.rows.find(isFitted) ?? null)"
            :ink="ink"
            :words="sizingWords(sizing)"
            :rows="() => sizingRows(sizing!)"
          />
        </div>
        <table>
          <caption class="away">
            All ducts tried
          </caption>
          <thead class="label">
            <tr>
              <th scope="col">duct</th>
              <th scope="col">hottest</th>
              <th scope="col">pads, discs last</th>
              <th scope="col">drag</th>
              <th scope="col"><span class="away">try</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in sizing.rows" :key="row.key" :class="{ here: isFitted(row) }">
              <th scope="row" :title="row.trouble">
                {{ row.title }}<span v-if="isFitted(row)" class="label"> fitted</span>
              </th>
              <td :class="row.by_heat.level" :title="row.by_heat.word">
                <VerdictMark :level="row.by_heat.level" /> {{ show(row.hottest, "temperature") }}
              </td>
              <td>
                {{ showNumber(row.pads_last, "running time") }}, {{ show(row.discs_last, "running time") }}
              </td>
              <td>{{ show(row.drag, "drag") }}</td>
              <td>
                <button
                  v-if="!isFitted(row)"
                  class="plain-button"
                  type="button"
                  :aria-label="`try: ${row.title}`"
                  @click="putOn(row.title, row.patch)"
                >
                  try
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="answer && answer.slower !== null" class="label">
          {{ answer.title }}: {{ show(answer.slower, "small speed") }} of top speed; {{ answer.trouble }}.
        </p>
      </div>
    </template>
  </section>
</template>

<style scoped>
.panel {
  display: flex;
  flex-direction: column;
  gap: 0.3rem;
}
header {
  align-items: center;
  display: flex;
  gap: 0.6rem;
  justify-content: space-between;
}
h2 {
  font-size: 1rem;
  font-weight: 600;
}
.reason {
  font-size: 0.88rem;
  margin-bottom: 0.15rem;
}
.everything {
  font-size: 0.88rem;
  font-weight: 600;
  margin: 0.2rem 0;
}
.everything svg {
  vertical-align: -0.15em;
  width: 0.95em;
}
.chart {
  height: 15.5rem;
}
progress {
  accent-color: var(--ink);
  width: 100%;
}
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
}
.choice .plain-button {
  white-space: normal;
}
.stale {
  opacity: 0.6;
}
table {
  border-collapse: collapse;
  font-size: 0.86rem;
  width: 100%;
}
th {
  font-weight: 400;
  text-align: left;
}
td,
th {
  border-bottom: 1px solid var(--rule);
  padding: 0.1rem 0.3rem 0.1rem 0;
}
.here th {
  font-weight: 600;
}
td .plain-button {
  min-height: 1.5rem;
  padding: 0 0.5rem;
}
td {
  white-space: nowrap;
}
td > svg {
  margin-right: 0.2rem;
  vertical-align: -0.15em;
  width: 0.95em;
}
</style>
