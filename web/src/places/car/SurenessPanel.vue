<script setup lang="ts">
// How sure the lock order is: the draws in which the rear locks first, and what is worth measuring next.
import { computed } from "vue";
import DocumentField from "@/fields/DocumentField.vue";
import { show } from "@/units/units";
import { useUncertainty } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";

const DOUBTS = ["pad_friction", "tyre_friction", "tyre_difference", "cg_height"];
const workbench = useWorkbench();
const uncertainty = useUncertainty();
uncertainty.look();
const chance = computed(
  () =>
    uncertainty.answer?.states.find((one) => one.state === workbench.looked?.state.name) ??
    uncertainty.answer?.worst ??
    null,
);
const was = (state: string): number | undefined =>
  uncertainty.ghost?.states.find((one) => one.state === state)?.rear_first;
const percent = (share: number): string => `${(100 * share).toFixed(1)}%`;
</script>

<template>
  <div class="sure">
    <section aria-label="What is not known exactly">
      <h2>Known only to</h2>
      <DocumentField v-for="name in DOUBTS" :key="name" :path="`car.doubt.${name}`" />
    </section>
    <section
      v-if="uncertainty.answer"
      :class="{ stale: uncertainty.stale }"
      aria-label="Draws with the rear first"
    >
      <h2>
        Rear first, of {{ uncertainty.answer.draws.toLocaleString("en-GB").replace(",", "\u202f") }} draws
      </h2>
      <div class="bars">
        <template v-for="one in uncertainty.answer.states" :key="one.state">
          <button
            type="button"
            :class="{ looked: one.state === workbench.looked?.state.name }"
            @click="workbench.stateName = one.state"
          >
            {{ one.state }}
          </button>
          <span class="track" aria-hidden="true">
            <i :style="{ width: percent(one.rear_first) }" />
            <i
              v-if="was(one.state) !== undefined"
              class="was"
              :style="{ left: percent(was(one.state) ?? 0) }"
            />
          </span>
          <b data-chance>{{ show(one.rear_first, "share") }}</b>
        </template>
      </div>
    </section>
    <section v-if="chance" :class="{ stale: uncertainty.stale }" aria-label="What to measure next">
      <h2>What the doubt comes from</h2>
      <p class="label">{{ chance.state }}. Each input drawn evenly within its range, on its own.</p>
      <div class="bars">
        <template v-for="one in chance.inputs" :key="one.title">
          <span>{{ one.title }}</span>
          <span class="track" aria-hidden="true"><i :style="{ width: percent(one.share) }" /></span>
          <b>{{ show(one.share, "share") }}</b>
        </template>
      </div>
      <p v-if="chance.inputs[0] && chance.inputs[0].share > 0.01" class="next">
        Next: {{ chance.inputs[0].measure_next }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.sure {
  display: grid;
  gap: 1.4rem;
  grid-template-columns: minmax(15.5rem, 1.1fr) minmax(0, 1fr) minmax(0, 1fr);
}
h2 {
  font-size: 0.95rem;
  font-weight: 600;
}
@media (max-width: 1150px) {
  .sure {
    gap: 0.6rem 1.2rem;
    grid-template-columns: 1fr 1fr;
  }
  .sure > :first-child {
    column-gap: 1.2rem;
    display: grid;
    grid-column: 1 / -1;
    grid-template-columns: 1fr 1fr;
  }
  .sure > :first-child h2 {
    grid-column: 1 / -1;
  }
}
.sure :deep(.field) {
  grid-template-columns: 1fr 5rem 3.6rem;
}
.bars {
  align-items: center;
  column-gap: 0.5rem;
  display: grid;
  font-size: 0.88rem;
  grid-template-columns: auto 1fr auto;
  line-height: 1.7;
}
.bars b {
  font-weight: 500;
  text-align: right;
}
.looked {
  font-weight: 600;
}
.track {
  background: var(--tint);
  height: 0.6rem;
  position: relative;
}
.track i {
  background: var(--soft);
  display: block;
  height: 100%;
}
.track .was {
  background: none;
  border-left: 2px dotted var(--ink);
  position: absolute;
  top: 0;
}
.next {
  border-left: 2px solid var(--ink);
  font-size: 0.9rem;
  margin-top: 0.5rem;
  padding-left: 0.5rem;
}
.stale {
  opacity: 0.5;
}
</style>
