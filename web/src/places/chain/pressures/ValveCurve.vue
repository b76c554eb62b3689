<script setup lang="ts">
// Pressure behind the valve over pressure before it. The knee is dragged along the line of equal pressures, or stepped.
import { computed, ref, useTemplateRef } from "vue";
import { show, unitOf } from "@/units/units";
import { useHydraulics } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";

const WIDTH = 260;
const HEIGHT = 128;
const LEFT = 34;
const BOTTOM = 22;
const KEYS: Record<string, "smaller" | "bigger"> = {
  ArrowUp: "bigger",
  ArrowRight: "bigger",
  ArrowDown: "smaller",
  ArrowLeft: "smaller",
};

const workbench = useWorkbench();
const hydraulics = useHydraulics();
hydraulics.keepFresh();
const svg = useTemplateRef<SVGSVGElement>("svg");
const valve = computed(() => hydraulics.answer?.valve ?? null);
const ghost = computed(() => hydraulics.ghost?.valve ?? null);
const rear = computed(() => workbench.current?.rear.has);
// The frame does not move under the hand that pulls the knee.
const frame = ref<number | null>(null);
const most = computed(() => frame.value ?? valve.value?.before.at(-1) ?? 1);
const x = (pressure: number): number => LEFT + ((WIDTH - LEFT - 8) * pressure) / most.value;
const y = (pressure: number): number => HEIGHT - BOTTOM - ((HEIGHT - BOTTOM - 8) * pressure) / most.value;
const line = (curve: { before: number[]; behind: number[] }): string =>
  curve.before
    .map((before, index) => `${index ? "L" : "M"}${x(before)} ${y(curve.behind[index] ?? 0)}`)
    .join("");

function pressed(event: KeyboardEvent): void {
  const to = KEYS[event.key];
  if (!to) return;
  event.preventDefault();
  void workbench.step("valve", event.shiftKey ? `${to}_family` : to, event.repeat);
}

let pull = "";
function grab(event: PointerEvent): void {
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  frame.value = most.value;
  pull = `knee ${event.timeStamp}`;
}

/** The knee goes along the line of equal pressures, to what a gauge can read. */
function drag(event: PointerEvent): void {
  if (frame.value === null || !valve.value) return;
  const { grid, least_knee, most_knee } = valve.value;
  const box = svg.value!.getBoundingClientRect();
  const at = ((event.clientX - box.left) * WIDTH) / box.width;
  const pressure = Math.round(((at - LEFT) * most.value) / (WIDTH - LEFT - 8) / grid) * grid;
  void workbench.edit("setup.valve.knee", Math.min(most_knee, Math.max(least_knee, pressure)), pull);
}
</script>

<template>
  <svg v-if="valve && rear" ref="svg" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="curve">
    <path class="axis" :d="`M${LEFT} 4V${y(0)}H${WIDTH - 4}`" />
    <path class="equal" :d="`M${x(0)} ${y(0)}L${x(most)} ${y(most)}`" />
    <path v-if="ghost && ghost.knee !== valve.knee" class="equal" :d="line(ghost)" />
    <path class="valve" :d="line(valve)" />
    <circle class="now" :cx="x(rear.line_pressure)" :cy="y(rear.pressure)" r="4" />
    <circle
      class="knee"
      :cx="x(valve.knee)"
      :cy="y(valve.knee)"
      r="8"
      role="slider"
      tabindex="0"
      aria-label="Valve knee on the curve"
      :aria-valuenow="valve.knee / unitOf('pressure').factor"
      :aria-valuetext="show(valve.knee, 'pressure')"
      @keydown="pressed"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="frame = null"
      @pointercancel="frame = null"
    />
    <text :x="x(valve.knee) + 11" :y="y(valve.knee) + 14">{{ show(valve.knee, "pressure") }}</text>
    <text class="name" :x="WIDTH - 6" :y="HEIGHT - 7" text-anchor="end">
      before the valve, {{ unitOf("pressure").symbol }}
    </text>
    <text class="name" :x="LEFT + 5" :y="12">behind the valve, {{ unitOf("pressure").symbol }}</text>
    <text class="name" :x="LEFT - 6" :y="y(rear.line_pressure) + 4" text-anchor="end" aria-hidden="true">
      {{ Math.round(rear.line_pressure / unitOf("pressure").factor) }}
    </text>
    <path class="equal" :d="`M${LEFT} ${y(rear.line_pressure)}H${x(rear.line_pressure)}V${y(0)}`" />
  </svg>
</template>

<style scoped>
.curve {
  flex: none;
  max-height: 8.4rem;
  width: 100%;
}
path {
  fill: none;
}
.axis {
  stroke: var(--soft);
}
.equal {
  stroke: var(--soft);
  stroke-dasharray: 2 3;
}
.valve {
  stroke: var(--rear);
  stroke-dasharray: 9 4;
  stroke-width: 2.4;
}
.now {
  fill: var(--rear);
}
.knee {
  cursor: grab;
  fill: var(--paper);
  stroke: var(--rear);
  stroke-width: 2.4;
  touch-action: none;
}
text {
  fill: var(--ink);
  font-family: var(--narrow);
  font-size: 12px;
}
.name {
  fill: var(--soft);
  font-size: 11px;
}
</style>
