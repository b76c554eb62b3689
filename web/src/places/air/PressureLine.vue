<script setup lang="ts">
// The pressure along the run, over the wheel well: the loss of each piece, and the suction of the vanes behind it.
import { computed } from "vue";
import type { DuctFlow } from "@/api/client";
import { show, showNumber } from "@/units/units";
import { PRESSURE, pressureAlong } from "./runLayout";

const props = defineProps<{
  flow: DuctFlow;
  /** Where the run begins, and how wide the line may be, px. */
  left: number;
  wide: number;
}>();
const pressures = computed(() => pressureAlong(props.flow.ram, props.flow.pieces, props.wide, 34));
const most = computed(() => Math.max(props.flow.ram, ...props.flow.pieces.map((one) => one.after), 1));
const least = computed(() => Math.min(0, -props.flow.pump, ...props.flow.pieces.map((one) => one.after)));
const levelOf = (pascal: number): number =>
  PRESSURE.head + (PRESSURE.high * (most.value - pascal)) / Math.max(1, most.value - least.value);
const line = computed(() => {
  const points = pressures.value.map((part) => `L${props.left + part.to} ${levelOf(part.after).toFixed(1)}`);
  return `M${props.left} ${levelOf(props.flow.ram).toFixed(1)}${points.join("")}`;
});
const lastAt = computed(() => props.left + (pressures.value.at(-1)?.to ?? 0));
</script>

<template>
  <g>
    <text :x="left - 26" y="8" class="words">pressure along the run, Pa over the wheel well</text>
    <line :x1="left - 26" :x2="lastAt + 60" :y1="levelOf(0)" :y2="levelOf(0)" class="axis" />
    <path class="under" :d="`${line}L${lastAt} ${levelOf(0)}L${left} ${levelOf(0)}z`" />
    <path class="pressure" :d="line" />
    <text :x="left - 4" :y="levelOf(flow.ram) + 4" text-anchor="end" class="words">
      {{ showNumber(flow.ram, "air pressure") }}
    </text>
    <template v-for="part in pressures" :key="part.piece.headline">
      <line
        :x1="left + part.to"
        :x2="left + part.to"
        :y1="levelOf(0) - 3"
        :y2="levelOf(0) + 3"
        class="axis"
      />
      <text
        :x="left + (part.at + part.to) / 2"
        :y="Math.max(levelOf(0), levelOf(least)) + 14"
        text-anchor="middle"
        class="words"
      >
        {{ showNumber(-part.piece.loss, "air pressure") }}
      </text>
      <text
        v-if="part.piece.place === null"
        :x="left + (part.at + part.to) / 2"
        :y="Math.max(levelOf(0), levelOf(least)) + 27"
        text-anchor="middle"
        class="words"
      >
        {{ part.piece.name.toLowerCase() }}
      </text>
    </template>
    <path
      v-if="flow.eye !== null"
      class="pressure pump"
      :d="`M${lastAt} ${levelOf(flow.eye ?? 0)}L${lastAt + 44} ${levelOf(-flow.pump)}`"
    />
    <text v-if="flow.eye !== null" :x="lastAt + 24" :y="PRESSURE.head + 6" class="words">
      the vanes pull {{ show(flow.pump, "air pressure") }}
    </text>
  </g>
</template>

<style scoped src="./drawing.css"></style>
<style scoped>
path {
  fill: none;
}
.axis {
  stroke: var(--soft);
}
.under {
  fill: var(--front-wash);
}
.rear .under {
  fill: var(--rear-wash);
}
.pressure {
  stroke: var(--front);
  stroke-width: 1.8;
}
.rear .pressure {
  stroke: var(--rear);
  stroke-dasharray: 6 4;
}
</style>
