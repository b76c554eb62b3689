<script setup lang="ts">
// The working of one number: every step that leads to it, each after those it uses, then the inputs.
import { computed, ref, watch } from "vue";
import { Refused, type Step } from "@/api/client";
import { show } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import FormulaLine from "./FormulaLine.vue";
import type { Working } from "@/workbench/source";
import { nameOf, workingOf } from "./numbers";

const props = defineProps<{ headline: string }>();
const workbench = useWorkbench();
const worked = ref<Working | null>(null);
const trouble = ref("");

watch(
  [() => props.headline, () => workbench.assessment, () => workbench.current?.state.name],
  async () => {
    const bench = workbench.bench;
    const state = workbench.current?.state;
    if (!bench || !state) return;
    try {
      worked.value = await workingOf(props.headline, bench, state);
      trouble.value = "";
    } catch (error) {
      trouble.value = error instanceof Refused ? error.problem.detail : "The working could not be fetched.";
    }
  },
  { immediate: true },
);

const steps = computed(() => worked.value?.steps ?? []);
const top = computed<Step | undefined>(
  () => steps.value[worked.value?.headlines[nameOf(props.headline)] ?? -1],
);

/** The indices of all steps behind the headline, in order. */
const behind = computed(() => {
  const found = new Set<number>();
  const visit = (index: number | undefined): void => {
    const step = index === undefined ? undefined : steps.value[index];
    if (index === undefined || !step || found.has(index)) return;
    step.inputs.forEach(visit);
    found.add(index);
  };
  visit(worked.value?.headlines[nameOf(props.headline)]);
  return [...found].map((index) => steps.value[index]).filter((step) => step !== undefined);
});
const computedSteps = computed(() => behind.value.filter((step) => step.formula).reverse());
const given = computed(() => behind.value.filter((step) => !step.formula));

const base = (symbol: string): string => symbol.split("_")[0] ?? symbol;
const sub = (symbol: string): string => symbol.split(/_(.*)/s)[1] ?? "";
</script>

<template>
  <p v-if="trouble" role="alert" class="bad">{{ trouble }}</p>
  <template v-else-if="top">
    <p class="headline">
      {{ top.name }} <strong>{{ show(top.value, top.dimension) }}</strong>
    </p>
    <p class="label">{{ worked?.about }}. From the answer back; the lines with numbers are in SI units.</p>
    <ol data-working>
      <li
        v-for="step in computedSteps"
        :key="step.symbol + step.name + step.value"
        :data-symbol="step.symbol"
      >
        <p class="name">
          {{ step.name }} <strong>{{ show(step.value, step.dimension) }}</strong>
        </p>
        <p>
          {{ base(step.symbol) }}<sub>{{ sub(step.symbol) }}</sub> =
          <FormulaLine :step="step" :steps="steps" />
        </p>
        <p v-if="step.inputs.length && !/∫|found so that/.test(step.formula ?? '')" class="numbers">
          = <FormulaLine :step="step" :steps="steps" numbers />
        </p>
        <p v-if="step.valid" class="label range">
          Holds for <FormulaLine :step="step" :steps="steps" range />
        </p>
        <p v-if="step.source" class="label">{{ step.source }}</p>
      </li>
    </ol>
    <h3 class="label">What went in</h3>
    <dl>
      <template v-for="step in given" :key="step.symbol + step.name + step.value">
        <dt>
          {{ base(step.symbol) }}<sub>{{ sub(step.symbol) }}</sub> {{ step.name }}
          <span v-if="step.assumption" class="watch"><br />assumed: {{ step.assumption }}</span>
          <span v-if="step.source" class="label"><br />{{ step.source }}</span>
        </dt>
        <dd>{{ show(step.value, step.dimension) }}</dd>
      </template>
    </dl>
  </template>
</template>

<style scoped>
.headline {
  font-size: 1.1rem;
}
ol {
  list-style: none;
}
li {
  border-top: 1px solid var(--rule);
  padding: 0.45rem 0;
}
.name {
  display: flex;
  justify-content: space-between;
}
.numbers {
  color: var(--soft);
}
h3 {
  border-top: 1px solid var(--ink);
  margin-top: 0.6rem;
  padding-top: 0.4rem;
}
dl {
  display: grid;
  gap: 0.2rem 1rem;
  grid-template-columns: 1fr auto;
}
dt span {
  font-size: 0.82rem;
}
dd {
  font-weight: 500;
}
sub {
  font-size: 0.72em;
  line-height: 0;
}
</style>
