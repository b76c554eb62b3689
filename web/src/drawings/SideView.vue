<script setup lang="ts">
// The car from the side, to scale, in the current state: centre of gravity, what is aboard, what each axle carries, and
// the air's forces.
import { useElementSize } from "@vueuse/core";
import { computed, useTemplateRef } from "vue";
import { show } from "@/units/units";
import NumberTag from "@/working/NumberTag.vue";
import { useWorkbench } from "@/workbench/workbench";
import CgMark from "./CgMark.vue";
import { BAR, layOutSide } from "./sideView";

const box = useTemplateRef<HTMLElement>("box");
const { width, height } = useElementSize(box);
const workbench = useWorkbench();
const car = computed(() => workbench.bench?.car);
const layout = computed(() =>
  workbench.bench && workbench.current && width.value > 0
    ? layOutSide(workbench.bench, workbench.current, width.value, height.value)
    : null,
);
const words = computed(() => {
  const current = workbench.current;
  if (!current) return "";
  const { car: loaded, air, front, rear, engine } = current;
  const parts = [
    `${current.state.load}: ${show(loaded.mass, "mass")}, ${show(loaded.front_share, "share")} front, ` +
      `CG ${show(loaded.cg_height, "length")} high`,
  ];
  if (air.drag > 1) parts.push(`drag ${show(air.drag, "force")}`);
  if (front.downforce || rear.downforce)
    parts.push(`downforce ${show(front.downforce, "force")} + ${show(rear.downforce, "force")}`);
  if (engine > 0) parts.push(`engine ${show(engine, "force")}`);
  return parts.join(" · ");
});
/** Each axle's numbers stand outside its wheel. */
const beside = (axle: "front" | "rear", x: number) =>
  axle === "rear"
    ? { left: `${x + 50}px` }
    : { right: `${width.value - x + 50}px`, textAlign: "right" as const };
</script>

<template>
  <section ref="box" aria-label="Side view with axle loads">
    <template v-if="layout && car && workbench.current">
      <svg
        :width="width"
        :height="height"
        role="img"
        aria-label="The car from the side with its axle loads, to scale"
      >
        <path class="fine" :d="`M${layout.axles[0].x - 80} ${layout.ground}H${layout.axles[1].x + 80}`" />
        <path
          v-for="(one, place) in layout.body"
          :key="place"
          :class="one.fine ? 'body glass' : 'body'"
          :d="one.line"
        />
        <g v-for="(item, index) in layout.items" :key="item.name" class="item">
          <path v-if="item.figure" class="figure" :class="{ absent: !item.aboard }" :d="item.figure" />
          <rect
            v-if="!item.figure"
            :x="item.x - item.size / 2"
            :y="item.y - item.size / 2"
            :width="item.size"
            :height="item.size"
            rx="2"
          />
          <rect
            v-if="!item.figure"
            class="aboard"
            :x="item.x - item.size / 2"
            :y="item.y + item.size / 2 - item.size * item.aboard"
            :width="item.size"
            :height="item.size * item.aboard"
          />
          <text
            :x="item.figure ? item.x - item.size - 6 : item.x"
            :y="index % 2 ? item.y + item.size / 2 + 11 : item.y - item.size / 2 - 4"
            :text-anchor="item.figure ? 'end' : 'middle'"
          >
            {{ item.name }}
          </text>
        </g>
        <g v-for="end in layout.axles" :key="end.axle" :class="end.axle">
          <circle class="tyre" :cx="end.x" :cy="layout.ground - end.radius" :r="end.radius" />
          <circle class="hub" :cx="end.x" :cy="layout.ground - end.radius" r="3" />
          <path
            v-if="Math.abs(end.down) > 6"
            class="arrow"
            :d="`M${end.x} ${layout.ground - 2 * end.radius - 4 - Math.max(0, end.down)}v${end.down}m-4 ${end.down > 0 ? -6 : 6}l4 ${end.down > 0 ? 6 : -6}l4 ${end.down > 0 ? -6 : 6}`"
          />
          <path
            v-if="end.brake > 2"
            class="arrow"
            :d="`M${end.x} ${layout.ground}h${end.brake}m-7 -4l7 4l-7 4`"
          />
          <rect
            v-for="(bar, index) in end.bars"
            :key="bar.name"
            :class="['load', `load-${index}`]"
            :x="bar.x"
            :y="layout.ground + 8"
            :width="BAR"
            :height="bar.length"
          />
        </g>
        <path
          v-if="layout.drag.length > 6"
          class="drag"
          :d="`M${layout.axles[0].x - layout.axles[0].radius - 10 - layout.drag.length} ${layout.drag.y}h${layout.drag.length}m-7 -4l7 4l-7 4`"
        />
        <circle v-if="layout.weighed" class="weighed" :cx="layout.weighed.x" :cy="layout.weighed.y" r="8" />
        <path class="fine measure" :d="`M${layout.cg.x} ${layout.cg.y}V${layout.ground}`" />
        <CgMark :x="layout.cg.x" :y="layout.cg.y" />
        <path class="fine" d="M38 12h-30m8 -5l-8 5l8 5" />
        <text x="44" y="16">forward</text>
      </svg>
      <p class="note label">
        {{ words }}
      </p>
      <div
        v-for="end in layout.axles"
        :key="end.axle"
        class="numbers"
        :class="end.axle"
        :style="{ ...beside(end.axle, end.x), top: `${layout.ground + 6}px` }"
      >
        <p class="axle">{{ end.axle }} axle</p>
        <NumberTag
          class="standing"
          label="standing"
          :headline="`${end.axle}.standing_load`"
          dimension="force"
        />
        <NumberTag class="speed" label="at speed" :headline="`${end.axle}.load`" dimension="force" />
        <NumberTag class="braking" label="braking" :headline="`${end.axle}.limit_load`" dimension="force" />
        <NumberTag v-if="end.axle === 'front'" label="ideal share" headline="ideal_share" dimension="share" />
        <NumberTag v-else label="tyre limit" headline="limit_deceleration" dimension="deceleration" />
      </div>
      <p v-if="workbench.current.rear_lifts" class="watch lifts" role="status">
        The rear wheels lift before the front tyres reach their limit.
      </p>
    </template>
  </section>
</template>

<style scoped src="@/drawings/carDrawing.css"></style>
<style scoped>
.measure {
  stroke-dasharray: 2 3;
}
.rear .load {
  stroke-dasharray: 6 3;
}
.hub {
  fill: var(--own);
}
.arrow {
  fill: none;
  stroke: var(--own);
  stroke-width: 2;
}
.drag {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.load {
  fill: none;
  stroke: var(--own);
  stroke-width: 1.4;
}
.load-1 {
  fill: var(--wash);
}
.load-2 {
  fill: var(--own);
}
.item rect {
  fill: var(--paper);
  stroke: var(--soft);
}
.body {
  fill: none;
  stroke: var(--soft);
  stroke-linejoin: round;
  stroke-width: 1.2;
}
.glass {
  stroke: var(--rule);
  stroke-width: 1;
}
.figure {
  fill: none;
  stroke: var(--soft);
  stroke-linecap: round;
  stroke-width: 1.3;
}
.absent {
  stroke-dasharray: 1 3;
}
.item .aboard {
  fill: var(--soft);
  opacity: 0.55;
  stroke: none;
}
.item text {
  font-size: 11px;
}
.weighed {
  fill: none;
  stroke: var(--soft);
  stroke-dasharray: 2 2;
}
@media (prefers-reduced-motion: no-preference) {
  .load,
  .tyre,
  .aboard {
    transition: all 0.25s;
  }
}
.note {
  left: 100px;
  position: absolute;
  top: 2px;
}
.numbers {
  position: absolute;
}
.numbers.front :deep(button) {
  margin-left: auto;
}
.standing::before,
.speed::before,
.braking::before {
  border: 1.4px solid var(--own);
  content: "";
  display: inline-block;
  height: 0.7em;
  margin-right: 0.35rem;
  width: 0.7em;
}
.speed::before {
  background: var(--wash);
}
.braking::before {
  background: var(--own);
}
.axle {
  color: var(--own);
  font-weight: 600;
}
.axle::first-letter {
  text-transform: uppercase;
}
.lifts {
  bottom: 0;
  left: 0;
  position: absolute;
}
</style>
