<script setup lang="ts">
// All declared states by their names, where room is short: the axle that locks first in each, and the deceleration.
import type { StateAnswer } from "@/api/client";
import { show } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";
import LockMark from "@/signs/LockMark.vue";

const workbench = useWorkbench();
const current = (answer: StateAnswer): boolean => answer.state.name === workbench.current?.state.name;
/** Which end it was, where that has changed. */
const was = (answer: StateAnswer): string => {
  const before = workbench.ghost?.assessment.states.find((one) => one.state.name === answer.state.name);
  return before && before.first !== answer.first ? before.first : "";
};
</script>

<template>
  <ul>
    <li v-for="answer in workbench.assessment?.states ?? []" :key="answer.state.name">
      <button
        type="button"
        :class="[answer.first, { current: current(answer) }]"
        :aria-pressed="current(answer)"
        :title="`${show(answer.efficiency, 'share')} of the grip, foot ${show(answer.first_foot_force, 'force')}`"
        @click="workbench.stateName = answer.state.name"
      >
        <span class="label name">{{ answer.state.name }}</span>
        <span class="lock"
          ><LockMark :first="answer.first" /> {{ answer.first }}
          {{ show(answer.first_deceleration, "deceleration") }}
          <i v-if="was(answer)" class="label">was {{ was(answer) }}</i></span
        >
      </button>
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  gap: 3px;
  grid-template-columns: repeat(auto-fill, minmax(8.3rem, 1fr));
  list-style: none;
}
button {
  border: 1px solid var(--rule);
  border-radius: 3px;
  display: block;
  line-height: 1.15;
  padding: 0.05rem 0.4rem 0.1rem;
  width: 100%;
}
button:hover {
  border-color: var(--soft);
}
.name {
  display: block;
}
.current {
  background: var(--tint);
  border-color: var(--ink);
}
.current .label {
  color: var(--ink);
}
.lock {
  align-items: center;
  display: flex;
  font-size: 0.9rem;
  font-weight: 500;
  gap: 0.3rem;
  white-space: nowrap;
}
.rear .lock {
  color: var(--bad);
}
.front .lock {
  color: var(--front);
}
@media (pointer: coarse) {
  button {
    min-height: 2.6rem;
  }
}
</style>
