<script setup lang="ts">
// The states that count, each with its load, track and speed.
import { computed } from "vue";
import type { State } from "@/api/client";
import { fieldAt } from "@/documents/schema";
import { loadsOf } from "@/documents/loads";
import DocumentField from "@/fields/DocumentField.vue";
import { useWorkbench } from "@/workbench/workbench";

const FIELDS = { load: "load", track: "track", speed: "speed", grip: "own grip", air_density: "own air" };
const workbench = useWorkbench();
const states = computed(() => workbench.bench?.car.states ?? []);
const loads = computed(() => loadsOf(workbench.bench?.car));

function add(): void {
  const last = states.value.at(-1);
  if (!last) return;
  let number = states.value.length + 1;
  while (states.value.some((state) => state.name === `State ${number}`)) number += 1;
  void workbench.edit("car.states", [...states.value, { ...last, name: `State ${number}` }]);
}
const remove = (index: number) =>
  workbench.remake<State[]>("car.states", (now) => now.filter((_, place) => place !== index));
</script>

<template>
  <form aria-label="States that count" @submit.prevent>
    <p class="label">All of them are judged; the head only chooses which one is looked at.</p>
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
