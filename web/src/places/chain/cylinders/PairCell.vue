<script setup lang="ts">
// One pair of cylinders: where it wants the bar, its push and travel, which end locks first, whether it can be used.
import type { CylinderPair } from "@/api/client";
import { show, showNumber } from "@/units/units";

defineProps<{
  pair: CylinderPair;
  /** With the bar where it is looked at. */
  told: CylinderPair["centred"];
  name: string;
  /** Whether the Tab key comes to it. */
  tabbed: boolean;
}>();
defineEmits<{ chosen: [] }>();
</script>

<template>
  <button
    type="button"
    :tabindex="tabbed ? 0 : -1"
    :class="[pair.usable ? 'usable' : 'not', { fitted: pair.fitted, ringed: pair.nearest }]"
    @click="$emit('chosen')"
  >
    <span class="away"
      >{{ name }}{{ pair.fitted ? ", fitted" : "" }}{{ pair.nearest ? `, nearest ${pair.nearest}` : "" }},
      {{ pair.usable ? "can be used" : "not to be used" }}, {{ told.first }} first:
    </span>
    <span class="first">
      <svg viewBox="0 0 12 12" aria-hidden="true">
        <circle cx="6" cy="6" r="4" />
      </svg>
      <template v-if="pair.turns !== null">{{ showNumber(pair.turns, "turns", true) }}</template>
      <span class="end" :class="told.first">{{ told.first === "front" ? "F" : "R" }}</span>
      <b v-if="pair.nearest" class="number">{{ pair.nearest }}</b>
    </span>
    <span class="second">{{ show(told.foot_force, "force") }} · {{ show(told.travel, "length") }}</span>
  </button>
</template>

<style scoped>
button {
  border: 1px solid var(--rule);
  display: grid;
  font-size: 0.71rem;
  line-height: 1.12;
  min-height: 0;
  padding: 0 0.25rem;
  text-align: left;
  width: 100%;
}
.first {
  align-items: center;
  display: flex;
  gap: 0.25rem;
}
svg {
  flex: none;
  height: 0.6rem;
  width: 0.6rem;
}
circle {
  fill: none;
  stroke: var(--bad);
  stroke-width: 1.5;
}
.usable circle {
  fill: var(--good);
  stroke: var(--good);
}
.not {
  border-style: dashed;
}
.second {
  overflow: hidden;
  white-space: nowrap;
}
.end {
  margin-left: auto;
}
.end.rear {
  color: var(--bad);
  font-weight: 700;
}
.number {
  background: var(--ink);
  border-radius: 1rem;
  color: var(--paper);
  padding: 0 0.3rem;
}
.fitted {
  box-shadow: inset 0 0 0 2px var(--ink);
}
.ringed {
  outline: 2px dashed var(--ink);
  outline-offset: 0;
}
button:focus-visible {
  outline: 3px solid var(--ink);
}
</style>
