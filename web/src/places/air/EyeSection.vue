<script setup lang="ts">
// The end of the run: the disc in section, its eye with the flange and the gap that leaks, and the paths of the air.
import { computed } from "vue";
import type { DuctFlow } from "@/api/client";
import { show } from "@/units/units";

const props = defineProps<{
  flow: DuctFlow;
  at: { x: number; y: number };
  /** px for each m. */
  scale: number;
  /** Height of the drawing, px. */
  room: number;
}>();
const AWAY = 26;
/** The disc as big as there is room for, in the run's own scale where it fits. */
const size = computed(() => Math.min(props.scale, (props.room - 16) / props.flow.outer_diameter));
const tall = computed(() => props.flow.outer_diameter * size.value);
const hole = computed(() => props.flow.inner_diameter * size.value);
const thick = computed(() => Math.max(12, props.flow.thickness * size.value));
const gap = computed(() => (props.flow.gap > 0 ? Math.max(3, props.flow.gap * size.value) : 0));
const cheek = computed(() => (thick.value - gap.value) / 2);
const ring = computed(() => (tall.value - hole.value) / 2);
const middle = computed(() =>
  Math.min(Math.max(props.at.y, tall.value / 2 + 8), props.room - tall.value / 2 - 6),
);
const left = computed(() => props.at.x + AWAY);
const eye = computed(() => props.flow.aim === "eye" && props.flow.gap > 0);
const leaves = computed(() => (props.flow.leak ?? 0) >= 0);
const words = computed(() => left.value + thick.value + 12);
/** Where a hose blows at a face: at the middle of the ring. */
const target = computed(() => (eye.value ? middle.value : middle.value - tall.value / 2 + ring.value / 2));
</script>

<template>
  <g>
    <path
      class="jet"
      :d="`M${at.x} ${at.y}C${at.x + AWAY / 2} ${at.y} ${at.x + AWAY / 2} ${target} ${left - 1} ${target}`"
    />
    <g v-for="side in [-1, 1]" :key="side">
      <template v-if="gap">
        <rect
          class="cheek"
          :x="left"
          :y="side < 0 ? middle - tall / 2 : middle + hole / 2"
          :width="cheek"
          :height="ring"
        />
        <rect
          class="cheek"
          :x="left + cheek + gap"
          :y="side < 0 ? middle - tall / 2 : middle + hole / 2"
          :width="cheek"
          :height="ring"
        />
        <rect
          class="vanes"
          :x="left + cheek"
          :y="side < 0 ? middle - tall / 2 : middle + hole / 2"
          :width="gap"
          :height="ring"
        />
        <path
          class="out"
          :d="`M${left + thick / 2} ${middle + (side * hole) / 2}V${middle + side * (tall / 2 + 7)}m-3.5 ${-side * 6}l3.5 ${side * 6}l3.5 ${-side * 6}`"
        />
      </template>
      <rect
        v-else
        class="cheek"
        :x="left"
        :y="side < 0 ? middle - tall / 2 : middle + hole / 2"
        :width="thick"
        :height="ring"
      />
    </g>
    <template v-if="eye">
      <!-- The plate of the flange, and the gap that the seal leaves between it and the disc. -->
      <line
        class="plate"
        :x1="left - 5"
        :x2="left - 5"
        :y1="middle - hole / 2 - 4"
        :y2="middle - hole * 0.18"
      />
      <line
        class="plate"
        :x1="left - 5"
        :x2="left - 5"
        :y1="middle + hole * 0.18"
        :y2="middle + hole / 2 + 4"
      />
      <path
        v-if="(flow.leak ?? 0) !== 0"
        class="leak"
        :d="
          leaves
            ? `M${left - 1} ${middle + hole / 2 - 2}l-14 16m0 -7v7h7`
            : `M${left - 15} ${middle + hole / 2 + 14}l14 -16m-7 0h7v7`
        "
      />
    </template>
    <text :x="words" :y="middle - 52" class="words">through the vanes</text>
    <text :x="words" :y="middle - 36" class="number" data-vanes>{{ show(flow.vanes, "air flow") }}</text>
    <text :x="words" :y="middle - 21" class="words">without a duct {{ show(flow.alone, "air flow") }}</text>
    <template v-if="eye">
      <text :x="words" :y="middle + 20" class="words">{{
        leaves ? "leaks at the eye" : "drawn in at the eye"
      }}</text>
      <text :x="words" :y="middle + 36" class="number">{{ show(Math.abs(flow.leak ?? 0), "air flow") }}</text>
      <text :x="words" :y="middle + 51" class="words">seal {{ show(flow.seal, "share") }}</text>
    </template>
    <text v-else :x="words" :y="middle + 20" class="words">blows {{ flow.aim }}</text>
    <text v-if="flow.caliper" :x="words" :y="middle + 70" class="words">
      to the caliper {{ show(flow.caliper, "air flow") }}
    </text>
  </g>
</template>

<style scoped src="./drawing.css"></style>
<style scoped>
.cheek {
  fill: var(--steel);
  stroke: var(--ink);
}
.vanes {
  fill: var(--front-wash);
}
.rear .vanes {
  fill: var(--rear-wash);
}
.jet {
  fill: none;
  stroke: var(--front-wash);
  stroke-width: 14;
}
.rear .jet {
  stroke: var(--rear-wash);
}
.out,
.leak {
  fill: none;
  stroke: var(--front);
  stroke-width: 1.6;
}
.leak {
  stroke: var(--soft);
}
.rear .out {
  stroke: var(--rear);
}
.plate {
  stroke: var(--ink);
  stroke-width: 2.4;
}
</style>
