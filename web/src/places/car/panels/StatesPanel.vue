<script setup lang="ts">
// The states that count, each with its load, track and speed.
import { computed } from "vue";
import type { State } from "@/api/client";
import { fieldAt } from "@/documents/schema";
import { loadsOf } from "@/documents/loads";
import DocumentField from "@/fields/DocumentField.vue";
import { useWorkbench } from "@/workbench/workbench";

const FIELDS = {
  load: "load",
  track: "track",
  speed: "speed",
  grip: "own grip",
  front_tyre_grip: "front tyres",
  rear_tyre_grip: "rear tyres",
  air_density: "own air",
};
/** Rear tyres are cold in the first laps: about this share of their warm grip. */
const COLD = 0.8;
const workbench = useWorkbench();
const states = computed(() => workbench.bench?.car.states ?? []);
const loads = computed(() => loadsOf(workbench.bench?.car));

const isTaken = (name: string) => states.value.some((state) => state.name === name);

function add(): void {
  const last = states.value.at(-1);
  if (!last) return;
  let number = states.value.length + 1;
  while (isTaken(`State ${number}`)) number += 1;
  void workbench.edit("car.states", [...states.value, { ...last, name: `State ${number}` }]);
}

/** The chosen state, as it is in the first laps. */
const firstLaps = computed((): State | null => {
  const warm = workbench.current?.state;
  const name = `First laps, ${warm?.name}`.slice(0, fieldAt("car.states.0.name").most).trim();
  return !warm || isTaken(name) ? null : { ...warm, name, rear_tyre_grip: COLD };
});
const judgedIn = computed(() => workbench.bench?.setup.judged_in ?? []);
const isJudged = (state: State) => !judgedIn.value.length || judgedIn.value.includes(state.name);

/** Judge this setup in a state, or no longer; none named means in all, and one at least stays. */
function judge(state: State, judged: boolean): void {
  void workbench.remake<string[]>("setup.judged_in", (now) => {
    const all = states.value.map((one) => one.name);
    const names = all.filter((name) => (name === state.name ? judged : !now.length || now.includes(name)));
    if (!names.length) return now;
    return names.length === all.length ? [] : names;
  });
}
const judging = computed(() => `“${workbench.bench?.setup.name}” is judged in it`);
const isLast = (state: State) => isJudged(state) && states.value.filter(isJudged).length === 1;

const remove = (index: number) =>
  workbench.remake<State[]>("car.states", (now) => now.filter((_, place) => place !== index));
</script>

<template>
  <form aria-label="States that count" @submit.prevent>
    <p class="label">
      All that are ticked are judged; the head only chooses which one is looked at. Untick what this setup is
      not for: the dry for a wet setup.
    </p>
    <section v-for="(state, index) in states" :key="index" :aria-label="state.name">
      <DocumentField :path="`car.states.${index}.name`" :context="state.name" label="name" class="name" />
      <div class="two">
        <DocumentField
          v-for="(label, field) in FIELDS"
          :key="field"
          :path="`car.states.${index}.${field}`"
          :among="field === 'load' ? loads : undefined"
          :context="state.name"
          :label="label"
        />
      </div>
      <label class="judged label">
        <input
          type="checkbox"
          :checked="isJudged(state)"
          :disabled="isLast(state)"
          :aria-label="`${judging}: ${state.name}`"
          @change="(event) => judge(state, (event.target as HTMLInputElement).checked)"
        />
        {{ judging }}
      </label>
      <button
        class="plain-button"
        type="button"
        :disabled="states.length === 1"
        :aria-label="`Remove ${state.name}`"
        @click="remove(index)"
      >
        ×
      </button>
    </section>
    <button
      class="plain-button"
      type="button"
      :disabled="states.length >= fieldAt('car.states').most"
      @click="add"
    >
      Add a state
    </button>
    <button
      v-if="firstLaps"
      class="plain-button"
      type="button"
      :disabled="states.length >= fieldAt('car.states').most"
      @click="workbench.edit('car.states', [...states, firstLaps])"
    >
      Add “{{ firstLaps.name }}”, rear tyres cold
    </button>
  </form>
</template>

<style scoped>
section {
  border-top: 1px solid var(--rule);
  padding: 0.2rem 2.2rem 0.2rem 0;
  position: relative;
}
.name {
  grid-template-columns: 3.6rem 1fr;
}
.judged {
  align-items: center;
  display: flex;
  gap: 0.4rem;
  min-height: 1.8rem;
}
.two {
  column-gap: 1.2rem;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11.5rem, 1fr));
}
.two :deep(.field) {
  align-content: start;
  grid-template-columns: 3.6rem minmax(0, 1fr);
}
section > .plain-button {
  min-height: 1.7rem;
  padding: 0 0.6rem;
  position: absolute;
  right: 0;
  top: 0.3rem;
}
</style>
