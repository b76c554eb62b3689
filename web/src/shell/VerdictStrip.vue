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
const chance = computed(() => `rear first in ${show(uncertainty.answer?.worst.rear_first, "chance")}`);
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
type Said = Pick<Verdict, "number" | "margin" | "margin_words">;
/** What a verdict says of the state that is shown; where it does not depend on the state, of what decides. */
const here = (verdict: Verdict): Said =>
  verdict.in_states.find((one) => one.state === workbench.current?.state.name) ?? verdict;
const numberOf = (of: Said, verdict: Verdict): string =>
  show(of.number.value, of.number.dimension, verdict.number_signed);
/** The state that decides, where another is shown. */
const worst = (verdict: Verdict): string =>
  here(verdict) === verdict || verdict.state === workbench.current?.state.name
    ? (verdict.state ?? "")
    : `worst: ${verdict.state}`;
/** What it was: its mark if the word has changed, and its number in the same state. */
function wasOf(now: Verdict) {
  const before = verdicts.before.find((verdict) => verdict.key === now.key);
  if (!before) return null;
  const reworded = before.word !== now.word;
  const number = numberOf(here(before), before);
  if (!reworded && number === numberOf(here(now), now)) return null;
  return { level: reworded ? before.level : null, word: before.word.toLowerCase(), number };
}
const rows = computed(() =>
  verdicts.now.map((verdict) => ({
    verdict,
    said: here(verdict),
    was: wasOf(verdict),
    worst: worst(verdict),
  })),
);
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
      v-for="{ verdict, said, was, worst: deciding } in rows"
      :key="verdict.key"
      type="button"
      class="matter"
      :data-verdict="verdict.key"
      @click="open(verdict.key)"
    >
      <span class="label title"
        >{{ verdict.title
        }}<i
          v-if="verdict.key === uncertainty.answer?.verdict.key && !uncertainty.stale"
          class="chance"
          :title="WORDS.likely"
        >
          · {{ chance }}</i
        ></span
      >
      <span
        class="word"
        :class="[verdict.level, { stale: verdicts.waits(verdict.key) && verdict.level === 'good' }]"
        ><VerdictMark :level="verdict.level" />&nbsp;{{ verdict.word }}</span
      >
      <span class="number">{{ numberOf(said, verdict) }}</span>
      <span class="label margin"
        >{{ said.margin_words }} {{ show(said.margin.value, said.margin.dimension, verdict.margin_signed) }}
        <span v-if="verdict.condition">· {{ `${verdict.condition} ` }}</span
        ><span v-if="deciding">· {{ deciding }}</span></span
      >
      <i v-if="was" class="label was" :title="`was ${was.word}, ${was.number}`"
        ><template v-if="was.level"
          ><span class="away">was {{ was.word }}</span
          ><VerdictMark :level="was.level" /></template
        >was {{ was.number }}</i
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
/* Of fixed height, whatever is said in it: nothing below may move under the pointer. */
.matter,
.gravest {
  height: 6.1rem;
  overflow: hidden;
  padding: 0.3rem 0.6rem 0.2rem 0.8rem;
}
.matter {
  align-content: start;
  border-left: 1px solid var(--rule);
  column-gap: 0.4rem;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(3.1rem, auto);
  grid-template-rows: 1.25rem 2.5rem 2rem;
}
.gravest {
  align-content: start;
  background: var(--tint);
  border-left: 4px solid currentColor;
  display: grid;
  grid-template: auto auto auto / minmax(0, 1fr);
  margin-left: -1.1rem;
  row-gap: 0.1rem;
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
.matter .word {
  grid-column: 1;
  grid-row: 2;
}
.title {
  font-weight: 500;
  grid-column: 1 / -1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.word {
  font-size: 1.06rem;
  font-weight: 600;
  line-height: 1.15;
}
.gravest .word {
  font-size: 1.12rem;
}
.gravest > .label {
  line-height: 1.15;
}
.word > svg {
  vertical-align: -0.28em;
}
.number {
  font-size: 1.06rem;
  grid-column: 2;
  grid-row: 2;
  justify-self: end;
  line-height: 1.15;
  white-space: nowrap;
}
.margin {
  grid-column: 1 / -1;
  grid-row: 3;
  line-height: 1.2;
}
.was {
  align-items: center;
  display: inline-flex;
  gap: 0.2rem;
  grid-column: 2;
  grid-row: 2;
  justify-self: end;
  margin-top: 1.3rem;
  white-space: nowrap;
}
.was :deep(svg) {
  width: 0.85rem;
}
/* The number under the word: there is no room beside it. */
@media (min-width: 761px) and (max-width: 1150px) {
  .matter {
    column-gap: 0.25rem;
    grid-template-rows: 1.2rem 2.5rem 1.3rem 2rem;
    padding-left: 0.6rem;
  }
  .matter .word,
  .gravest .word {
    font-size: 0.95rem;
  }
  .matter .word {
    grid-column: 1 / -1;
  }
  .number {
    font-size: 0.95rem;
    grid-column: 1;
    grid-row: 3;
    justify-self: start;
  }
  .was {
    grid-row: 3;
    margin-top: 0;
  }
  .margin {
    grid-row: 4;
  }
  .matter,
  .gravest {
    height: 7.4rem;
  }
  .chance {
    display: none;
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
  .matter,
  .gravest {
    height: auto;
  }
  .matter {
    border-top: 1px solid var(--rule);
    grid-template-rows: auto auto auto;
  }
  .matter:nth-child(even) {
    border-left: 0;
    padding-left: 0;
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
</style>
