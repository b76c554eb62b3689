<script setup lang="ts">
// One pair of cylinders: its bar setting, push and travel, the axle that locks first, and whether it can be used.
import { computed } from "vue";
import type { CylinderPair } from "@/api/client";
import { show, showNumber, unitOf } from "@/units/units";

const props = defineProps<{
  pair: CylinderPair;
  /** With the bar in the selected position. */
  shown: CylinderPair["centred"];
  name: string;
  /** Whether the Tab key comes to it. */
  tabbed: boolean;
}>();
defineEmits<{ chosen: [] }>();
/** Its result with the bar as asked for; a shape for each level, without colour. */
const use = computed(() => {
  if (!props.pair.usable) return { shape: "hollow", words: "not to be used" };
  const { level } = props.pair.as_wanted ?? props.pair.centred;
  return level === "good"
    ? { shape: "full", words: "can be used" }
    : { shape: "half", words: "to be watched" };
});
</script>

<template>
  <button
    type="button"
    :tabindex="tabbed ? 0 : -1"
    :class="[use.shape, { fitted: pair.fitted, ringed: pair.nearest }]"
    :title="`${show(shown.foot_force, 'force')} · ${show(shown.travel, 'length')}`"
    @click="$emit('chosen')"
  >
    <span class="away"
      >{{ name }}{{ pair.fitted ? ", fitted" : "" }}{{ pair.nearest ? `, nearest ${pair.nearest}` : "" }},
      {{ use.words }}, {{ shown.first }} first:
    </span>
    <span class="first">
      <svg viewBox="0 0 12 12" aria-hidden="true">
        <circle cx="6" cy="6" r="4.2" />
        <path d="M6 1.8a4.2 4.2 0 0 0 0 8.4z" />
      </svg>
      <template v-if="pair.turns !== null">{{ showNumber(pair.turns, "turns", true) }}</template>
      <span class="end" :class="shown.first">{{ shown.first === "front" ? "F" : "R" }}</span>
      <b v-if="pair.nearest" class="number">{{ pair.nearest }}</b>
    </span>
    <span class="second"
      >{{ showNumber(shown.foot_force, "force")
      }}<span class="unit">&nbsp;{{ unitOf("force").symbol }}</span> · {{ showNumber(shown.travel, "length")
      }}<span class="unit">&nbsp;{{ unitOf("length").symbol }}</span></span
    >
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
circle,
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
path {
  stroke: none;
}
.full circle,
.half path {
  fill: var(--ink);
}
.hollow {
  border-style: dashed;
  color: var(--soft);
}
.hollow circle {
  stroke: var(--soft);
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
@media (max-width: 1290px) {
  .unit {
    display: none;
  }
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
