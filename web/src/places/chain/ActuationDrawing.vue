<script setup lang="ts">
// Pedal and balance bar: the lever at its true ratio, the bar and its bearing to the scale of the parts.
import { computed } from "vue";
import { useWorkbench } from "@/workbench/workbench";
import type { Layout } from "./layout";

const props = defineProps<{ layout: Layout }>();
const workbench = useWorkbench();

const bar = computed(() => {
  const { balance_bar } = workbench.bench!.setup;
  const half = (balance_bar.length / 2) * props.layout.partScale;
  const x = props.layout.x.bar + 26;
  const bearing = props.layout.pedal.rod;
  const middle = bearing + balance_bar.offset * props.layout.partScale;
  return { x, bearing, middle, front: middle - half, rear: middle + half };
});
const ghostMiddle = computed(() => {
  const before = workbench.ghost?.bench.setup.balance_bar;
  if (!before || before.offset === workbench.bench?.setup.balance_bar.offset) return null;
  return props.layout.pedal.rod + before.offset * props.layout.partScale;
});
const lead = computed(() => props.layout.x.cylinder);
</script>

<template>
  <g class="ink">
    <path
      :d="`M${layout.pedal.x} ${layout.pedal.pivot}L${layout.pedal.x - 10} ${layout.pedal.pad}`"
      class="lever"
    />
    <rect :x="layout.pedal.x - 17" :y="layout.pedal.pad - 6" width="9" height="34" rx="3" class="pad" />
    <circle :cx="layout.pedal.x" :cy="layout.pedal.pivot" r="4.5" class="pin" />
    <path :d="`M${layout.pedal.x - 22} ${layout.pedal.pivot + 8}h44`" />
    <path
      v-for="n in 6"
      :key="n"
      class="hatch"
      :d="`M${layout.pedal.x - 22 + n * 7} ${layout.pedal.pivot + 8}l-5 6`"
    />
    <path :d="`M${layout.pedal.x} ${layout.pedal.rod}H${bar.x}`" />
    <circle
      :cx="
        layout.pedal.x -
        10 * ((layout.pedal.pivot - layout.pedal.rod) / (layout.pedal.pivot - layout.pedal.pad))
      "
      :cy="layout.pedal.rod"
      r="3.5"
      class="pin"
    />
    <path :d="`M${bar.x - 9} ${bar.middle}h-7`" class="tick" />
    <path v-if="ghostMiddle !== null" :d="`M${bar.x - 9} ${ghostMiddle}h-7`" class="tick ghost" />
    <path :d="`M${bar.x} ${bar.front}V${bar.rear}`" class="bar" />
    <path
      class="front-line"
      :d="`M${bar.x + 5} ${bar.front}H${lead - 26}L${lead - 14} ${layout.front.middle}H${lead}`"
    />
    <path
      class="rear-line"
      :d="`M${bar.x + 5} ${bar.rear}H${lead - 26}L${lead - 14} ${layout.rear.middle}H${lead}`"
    />
    <circle :cx="bar.x" :cy="bar.front" r="5" class="clevis-front" />
    <circle :cx="bar.x" :cy="bar.rear" r="5" class="clevis-rear" />
    <circle :cx="bar.x" :cy="bar.bearing" r="7" class="pad" />
  </g>
</template>

<style scoped>
.ink {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.lever {
  stroke-width: 4;
}
.pad {
  fill: var(--steel);
}
.pin {
  fill: var(--paper);
}
.bar {
  stroke-width: 3.5;
}
.hatch,
.tick {
  stroke: var(--soft);
  stroke-width: 1;
}
.ghost {
  stroke-dasharray: 2 2;
}
.front-line {
  stroke: var(--front);
}
.rear-line {
  stroke: var(--rear);
  stroke-dasharray: 6 3;
}
.clevis-front {
  fill: var(--paper);
  stroke: var(--front);
}
.clevis-rear {
  fill: var(--paper);
  stroke: var(--rear);
}
</style>
