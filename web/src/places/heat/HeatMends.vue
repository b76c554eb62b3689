<script setup lang="ts">
// The verdict on the session, and the changes that mend it, each simulated; to try on and undo it.
import { computed } from "vue";
import type { HeatMend } from "@/api/client";
import VerdictMark from "@/signs/VerdictMark.vue";
import { showPhrase } from "@/units/units";
import { useHeatAdvice, useSimulation } from "@/workbench/heat";
import { useWorkbench } from "@/workbench/workbench";
import RuleLines from "@/working/RuleLines.vue";
import TriedLine from "@/working/TriedLine.vue";
import { useTryOn } from "@/working/tryOn";

const workbench = useWorkbench();
const advice = useHeatAdvice();
const simulation = useSimulation();
advice.keepFresh();
const verdict = computed(() => (simulation.trouble ? null : (simulation.answer?.verdict ?? null)));
const also = computed(() => verdict.value?.findings.slice(1) ?? []);
/** What is red is always shown. */
const reds = computed(() => also.value.filter((one) => one.level === "bad"));
const others = computed(() => also.value.filter((one) => one.level !== "bad"));
/** Whether the advice is that on this bench and this session. */
const fresh = computed(() => !advice.stale && advice.answer?.session === simulation.answer?.heat.session);
const mends = computed(() =>
  advice.answer && advice.answer.session === simulation.answer?.heat.session ? advice.answer.mends : [],
);
/** What air mends, or too much of it. */
const hot = computed(() =>
  verdict.value?.findings.some((one) => ["fade", "wear", "fluid_running", "cold", "sides"].includes(one.key)),
);
const { tried, tryOn, putBack, keep } = useTryOn();
const putOn = (mend: HeatMend) => tryOn(mend.title, () => workbench.editAll("setup", mend.patch));
/** Findings that the preparer resolves by giving a value. */
const toBeNamed = computed(() => verdict.value?.findings[0]?.key === "not_named");
</script>

<template>
  <section v-if="verdict" aria-label="Fixes for the heat">
    <h2 :class="verdict.level"><VerdictMark :level="verdict.level" /> {{ verdict.word }}</h2>
    <p class="reason">{{ showPhrase(verdict.text) }}</p>
    <template v-for="one in reds" :key="one.key + one.axle + one.word">
      <h3 class="bad"><VerdictMark level="bad" /> {{ one.word }}</h3>
      <p class="reason">{{ showPhrase(one.text) }}</p>
    </template>
    <details>
      <summary class="label">The rule and its limits</summary>
      <RuleLines :rule="verdict.rule" />
    </details>
    <details v-if="others.length">
      <summary class="label">Also: {{ others.map((one) => one.word.toLowerCase()).join(", ") }}</summary>
      <p v-for="one in others" :key="one.key + one.axle + one.word" class="reason">
        <VerdictMark :level="one.level" /> {{ showPhrase(one.text) }}
      </p>
    </details>
    <RouterLink v-if="hot" class="plain-button" :to="{ name: 'air' }">Size the duct on Air</RouterLink>
    <TriedLine :tried="tried" @keep="keep" @put-back="putBack" />
    <p v-if="advice.trouble && !advice.asking" class="bad" role="status">{{ advice.trouble }}</p>
    <p v-else-if="!fresh" class="label" role="status">Calculating…</p>
    <p v-else-if="verdict.level !== 'good' && !toBeNamed && !mends.some((one) => one.mends)" class="label">
      No single change fixes this: it takes two, or a slower pace. See the plan.
    </p>
    <ul class="changes" :class="{ stale: !fresh }">
      <li v-for="mend in mends" :key="mend.title">
        <p class="change">{{ mend.title }}</p>
        <p :class="mend.level">
          {{ mend.mends ? "" : "Better, not enough: " }}{{ showPhrase(mend.effect) }}. {{ mend.word }}.
        </p>
        <p class="label">{{ showPhrase(mend.cost) }}</p>
        <p v-if="mend.disturbs?.length" class="watch">but: {{ mend.disturbs.join(", ").toLowerCase() }}</p>
        <button class="plain-button" type="button" :aria-label="`try: ${mend.title}`" @click="putOn(mend)">
          try
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  align-items: center;
  border-top: 1px solid var(--rule);
  display: flex;
  font-size: 1rem;
  font-weight: 600;
  gap: 0.4rem;
  padding-top: 0.4rem;
}
h3 {
  align-items: center;
  display: flex;
  font-size: 0.95rem;
  font-weight: 600;
  gap: 0.4rem;
}
.reason {
  font-size: 0.88rem;
  margin-bottom: 0.2rem;
}
summary {
  cursor: pointer;
}
</style>
