<script setup lang="ts">
import { computed } from "vue";
import { useRoute, useRouter } from "vue-router";
import { WORDS } from "@/help/words";
import { show } from "@/units/units";
import { useHeat, useHeatJudgement } from "@/workbench/heat";
import { usePlan } from "@/workbench/plan";
import { useVerdicts } from "@/workbench/verdicts";
import type { Verdict } from "@/api/client";
import { useUncertainty } from "@/workbench/question";
import { useSheet } from "@/working/sheet";
import { useWorkbench } from "@/workbench/workbench";
import VerdictMark from "@/signs/VerdictMark.vue";

const workbench = useWorkbench();
const sheet = useSheet();
const uncertainty = useUncertainty();
uncertainty.keepFresh();

/** The chance that the rear locks first, in the state where it is most likely. */
const chance = computed(() => `rear first ${show(uncertainty.answer?.worst.rear_first, "share")} likely`);
const heat = useHeat();
const verdicts = useVerdicts();
const judgement = useHeatJudgement();
judgement.keepFresh();
const router = useRouter();
const route = useRoute();

/** Its own place shows more about the heat of the sessions than a sheet could. */
function open(key: string): void {
  if (key !== "heat" || !workbench.bench?.car.sessions.length) {
    sheet.explain(key);
    return;
  }
  heat.chosen = judgement.answer?.worst?.session ?? "";
  void router.push({ name: "heat", params: route.params });
}
const plan = usePlan();
/** What to do about all of it. */
const toDo = computed(() => {
  if (plan.running) return "looking for a plan…";
  if (plan.done < 0 || !plan.answer) return "what to do: the plan";
  const steps = plan.plan?.steps.length ?? 0;
  return plan.done ? `${plan.done} of ${steps} steps on the bench` : plan.answer.word.toLowerCase();
});
const waits = computed(() => verdicts.now.some((one) => verdicts.waits(one.key)));
/** The old verdict if it differs: its mark if the word has changed, and its number. */
function ghostOf(key: string) {
  const before = verdicts.before.find((verdict) => verdict.key === key);
  const now = verdicts.now.find((verdict) => verdict.key === key);
  if (!before || !now) return null;
  const shown = ({ number, number_signed: signed }: Verdict) => show(number.value, number.dimension, signed);
  const reworded = before.word !== now.word;
  if (!reworded && shown(before) === shown(now)) return null;
  return { level: reworded ? before.level : null, word: before.word.toLowerCase(), number: shown(before) };
}
</script>

<template>
  <section aria-label="Verdicts">
    <div class="gravest" :class="verdicts.gravest?.level ?? 'good'">
      <span class="label">first of all{{ verdicts.gravest ? ` · ${verdicts.gravest.title}` : "" }}</span>
      <button v-if="verdicts.gravest" type="button" class="word" @click="open(verdicts.gravest.key)">
        <VerdictMark :level="verdicts.gravest.level" /> {{ verdicts.gravest.word }}
      </button>
      <span v-else class="word" :class="{ stale: waits }"><VerdictMark level="good" /> Sound</span>
      <RouterLink class="label" :to="{ name: 'plan', params: route.params }">{{ toDo }}</RouterLink>
    </div>
    <button
      v-for="verdict in verdicts.now"
      :key="verdict.key"
      type="button"
      :data-verdict="verdict.key"
      @click="open(verdict.key)"
    >
      <span class="label"
        >{{ verdict.title
        }}<i
          v-if="verdict.key === uncertainty.answer?.verdict.key"
          class="chance"
          :title="WORDS.likely"
          :class="{ stale: uncertainty.stale }"
        >
          · {{ chance }}</i
        ></span
      >
      <span
        class="word"
        :class="[verdict.level, { stale: verdicts.waits(verdict.key) && verdict.level === 'good' }]"
      >
        <VerdictMark :level="verdict.level" /> {{ verdict.word }}
        <span class="number">{{
          show(verdict.number.value, verdict.number.dimension, verdict.number_signed)
        }}</span>
        <i
          v-for="was in [ghostOf(verdict.key)].filter((one) => one !== null)"
          :key="was.word"
          class="label ghost"
          :title="`was ${was.word}, ${was.number}`"
        >
          was
          <template v-if="was.level"
            ><span class="away">{{ was.word }}</span
            ><VerdictMark :level="was.level" /></template
          ><template v-else>{{ was.number }}</template></i
        >
      </span>
      <span class="label"
        >{{ verdict.margin_words }}
        {{ show(verdict.margin.value, verdict.margin.dimension, verdict.margin_signed) }}
        <span v-if="verdict.condition">· {{ `${verdict.condition} ` }}</span
        ><span v-if="verdict.state">· {{ verdict.state }}</span></span
      >
    </button>
  </section>
</template>

<style scoped>
section {
  border-bottom: 1px solid var(--rule);
  display: grid;
  grid-auto-columns: minmax(0, 1fr);
  grid-auto-flow: column;
  padding: 0 1.1rem;
}
button {
  align-content: start;
  align-items: baseline;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  overflow-wrap: anywhere;
  padding: 0.3rem 0.9rem 0.3rem 0;
}
button + button,
.gravest + button {
  border-left: 1px solid var(--rule);
  padding-left: 0.9rem;
}
.gravest {
  align-content: start;
  background: var(--tint);
  border-left: 4px solid currentColor;
  display: grid;
  margin-left: -1.1rem;
  padding: 0.3rem 0.7rem 0.3rem 0.8rem;
}
.gravest > button {
  color: inherit;
  display: block;
  padding: 0;
}
button:hover .word {
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
}
.word {
  font-size: 1.08rem;
  font-weight: 600;
  grid-column: 1 / -1;
}
/* In the line with its word, even if that takes two lines. */
.word > svg {
  margin-right: 0.2rem;
  vertical-align: -0.28em;
}
.number {
  color: var(--ink);
  font-weight: 400;
}
/* On a second line instead of cut off. */
button > .label {
  grid-column: 1 / -1;
}
.ghost.ghost {
  margin-left: 0.4rem;
  align-items: center;
  display: inline-flex;
  font-weight: 400;
  gap: 0.2rem;
}
.ghost :deep(svg) {
  width: 0.85rem;
}
@media (max-width: 1150px) {
  .word {
    font-size: 0.95rem;
  }
}
@media (max-width: 760px) {
  section {
    grid-auto-flow: row;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    padding: 0 0.7rem;
  }
  .gravest {
    grid-column: 1 / -1;
    margin-inline: -0.7rem;
  }
  section > button:nth-child(even) {
    border-left: 0;
    padding-left: 0;
  }
  section > button {
    border-top: 1px solid var(--rule);
  }
}
.chance {
  font-style: normal;
  font-weight: 400;
}
/* Not final yet, so never green. */
.stale.stale {
  color: var(--soft);
}
button > .label:first-child {
  font-weight: 500;
  grid-column: 1 / -1;
}
</style>
