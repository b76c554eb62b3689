<script setup lang="ts">
// Pressure behind the valve over pressure before it. The knee is dragged along the line of equal pressures, or stepped.
import { computed, ref, useTemplateRef } from "vue";
import { show, unitOf } from "@/units/units";
import { useWorkbench } from "@/workbench/workbench";

const WIDTH = 260;
const HEIGHT = 128;
const LEFT = 34;
const BOTTOM = 22;
const GRID = 5e4;

const workbench = useWorkbench();
const svg = useTemplateRef<SVGSVGElement>("svg");
const joint = computed(() => workbench.assessment?.joints.find((one) => one.key === "valve"));
const slope = computed(() => workbench.bench?.setup.valve?.slope ?? 0.5);
const dragged = ref<number | null>(null);
const knee = computed(() => dragged.value ?? joint.value?.sizes[0] ?? 0);
const line = computed(() => workbench.looked?.rear.has.line_pressure ?? 0);
// The frame does not move under the hand: it follows the pressures, not the knee.
const most = computed(() => 1.25 * Math.max(line.value, joint.value?.sizes[0] ?? 0, 1e6));
const x = (pressure: number): number => LEFT + ((WIDTH - LEFT - 8) * pressure) / most.value;
const y = (pressure: number): number => HEIGHT - BOTTOM - ((HEIGHT - BOTTOM - 8) * pressure) / most.value;
const behind = (before: number): number =>
  Math.min(before, knee.value) + slope.value * Math.max(0, before - knee.value);
const ghostKnee = computed(() => {
  const was = workbench.ghost?.assessment.joints.find((one) => one.key === "valve")?.sizes[0];
  return was !== undefined && was !== knee.value ? was : null;
});
const KEYS: Record<string, "smaller" | "bigger"> = {
  ArrowUp: "bigger",
  ArrowRight: "bigger",
  ArrowDown: "smaller",
  ArrowLeft: "smaller",
};

function pressed(event: KeyboardEvent): void {
  const to = KEYS[event.key];
  if (!to) return;
  event.preventDefault();
  void workbench.step("valve", event.shiftKey ? `${to}_family` : to);
}

function kneeUnder(event: PointerEvent): number {
  const box = svg.value!.getBoundingClientRect();
  const at = ((event.clientX - box.left) * WIDTH) / box.width;
  const pressure = ((at - LEFT) * most.value) / (WIDTH - LEFT - 8);
  return Math.min(2e7, Math.max(GRID, Math.round(pressure / GRID) * GRID));
}

function grab(event: PointerEvent): void {
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  dragged.value = knee.value;
}
function drag(event: PointerEvent): void {
  if (dragged.value !== null) dragged.value = kneeUnder(event);
}
async function letGo(): Promise<void> {
  const to = dragged.value;
  if (to !== null && to !== joint.value?.sizes[0]) await workbench.edit("setup.valve.knee", to);
  dragged.value = null;
}
</script>

<template>
  <svg ref="svg" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="curve">
    <path class="axis" :d="`M${LEFT} 4V${y(0)}H${WIDTH - 4}`" />
    <path class="equal" :d="`M${x(0)} ${y(0)}L${x(most)} ${y(most)}`" />
    <path
      v-if="ghostKnee !== null"
      class="equal"
      :d="`M${x(0)} ${y(0)}L${x(ghostKnee)} ${y(ghostKnee)}L${x(most)} ${y(ghostKnee + slope * (most - ghostKnee))}`"
    />
    <path class="made" :d="`M${x(0)} ${y(0)}L${x(knee)} ${y(knee)}L${x(most)} ${y(behind(most))}`" />
    <circle class="now" :cx="x(line)" :cy="y(behind(line))" r="4" />
    <circle
      class="knee"
      :cx="x(knee)"
      :cy="y(knee)"
      r="8"
      role="slider"
      tabindex="0"
      aria-label="Valve knee on the curve"
      :aria-valuenow="knee / unitOf('pressure').factor"
      :aria-valuetext="show(knee, 'pressure')"
      @keydown="pressed"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="letGo"
      @pointercancel="dragged = null"
    />
    <text :x="x(knee) + 11" :y="y(knee) + 14">{{ show(knee, "pressure") }}</text>
    <text class="name" :x="WIDTH - 6" :y="HEIGHT - 7" text-anchor="end">
      before the valve, {{ unitOf("pressure").symbol }}
    </text>
    <text class="name" :x="LEFT + 5" :y="12">behind the valve, {{ unitOf("pressure").symbol }}</text>
    <text class="name" :x="LEFT - 6" :y="y(line) + 4" text-anchor="end" aria-hidden="true">
      {{ Math.round(line / unitOf("pressure").factor) }}
    </text>
    <path class="equal" :d="`M${LEFT} ${y(line)}H${x(line)}V${y(0)}`" />
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
.made {
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
