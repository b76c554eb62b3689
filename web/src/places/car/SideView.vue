<script setup lang="ts">
// The car from the side, to scale: wheels, centre of gravity, and what each axle carries standing, at speed and braking.
import { useElementSize } from "@vueuse/core";
import { computed, useTemplateRef } from "vue";
import { show } from "@/units/units";
import NumberTag from "@/working/NumberTag.vue";
import { useWorkbench } from "@/workbench/workbench";

const box = useTemplateRef<HTMLElement>("box");
const { width, height } = useElementSize(box);
const workbench = useWorkbench();

const SIDE = 96;
const drawing = computed(() => {
  const bench = workbench.bench;
  const looked = workbench.looked;
  if (!bench || !looked || !width.value) return null;
  const { car } = bench;
  const largest = Math.max(car.front_tyre.loaded_radius, car.rear_tyre.loaded_radius);
  const tallest = Math.max(car.cg_height * 1.25, 2 * largest);
  const scale = Math.min(
    (width.value - 2 * SIDE) / (car.wheelbase + 2 * largest),
    (0.42 * height.value) / tallest,
  );
  const ground = Math.max(tallest * scale + 40, height.value * 0.4);
  const front = (width.value - car.wheelbase * scale) / 2;
  const rear = front + car.wheelbase * scale;
  const heaviest = Math.max(
    looked.front.limit_load,
    looked.rear.load,
    looked.front.load,
    looked.rear.standing_load,
  );
  const loadScale = (height.value - ground - 24) / heaviest;
  return {
    scale,
    ground,
    // Between axles that stand close, the rear's numbers go under the front's.
    rearDrop: rear - front < 400 ? 104 : 0,
    front,
    rear,
    car,
    chassis: `M${front} ${ground - car.front_tyre.loaded_radius * scale}L${rear} ${ground - car.rear_tyre.loaded_radius * scale}`,
    cg: { x: front + (1 - car.front_share) * car.wheelbase * scale, y: ground - car.cg_height * scale },
    axles: (["front", "rear"] as const).map((axle) => ({
      axle,
      x: axle === "front" ? front : rear,
      radius: car[`${axle}_tyre`].loaded_radius * scale,
      bars: [
        { name: "standing", length: looked[axle].standing_load * loadScale },
        { name: "at speed", length: looked[axle].load * loadScale },
        { name: "braking", length: looked[axle].limit_load * loadScale },
      ],
    })),
  };
});
const BAR = 26;
</script>

<template>
  <section ref="box" aria-label="Side view with axle loads">
    <template v-if="drawing && workbench.looked">
      <svg
        :width="width"
        :height="height"
        role="img"
        aria-label="The car from the side with its axle loads, to scale"
      >
        <path class="ground" :d="`M${drawing.front - 80} ${drawing.ground}H${drawing.rear + 80}`" />
        <path class="chassis" :d="drawing.chassis" />
        <g v-for="end in drawing.axles" :key="end.axle" :class="end.axle">
          <circle class="tyre" :cx="end.x" :cy="drawing.ground - end.radius" :r="end.radius" />
          <circle class="hub" :cx="end.x" :cy="drawing.ground - end.radius" r="3" />
          <g v-for="(bar, index) in end.bars" :key="bar.name">
            <rect
              :class="['load', `load-${index}`]"
              :x="end.x + (index - 1.5) * (BAR + 6)"
              :y="drawing.ground + 8"
              :width="BAR"
              :height="Math.max(0, bar.length)"
            />
          </g>
        </g>
        <path class="measure" :d="`M${drawing.cg.x} ${drawing.cg.y}V${drawing.ground}`" />
        <g class="cg">
          <circle :cx="drawing.cg.x" :cy="drawing.cg.y" r="9" />
          <path
            :d="`M${drawing.cg.x} ${drawing.cg.y}v-9a9 9 0 0 1 9 9zM${drawing.cg.x} ${drawing.cg.y}v9a9 9 0 0 1 -9 -9z`"
          />
        </g>
        <text :x="drawing.cg.x + 14" :y="drawing.cg.y - 6">
          {{ show(drawing.car.cg_height, "length") }} high
        </text>
        <text :x="drawing.front + drawing.axles[0]!.radius + 8" :y="drawing.ground - 5">
          {{ show(drawing.car.wheelbase, "length") }} wheelbase
        </text>
        <path class="heading" :d="`M${drawing.front - 44} 16h-30m8 -5l-8 5l8 5`" />
        <text :x="drawing.front - 40" y="20">forward</text>
      </svg>
      <div
        v-for="end in drawing.axles"
        :key="end.axle"
        class="numbers"
        :class="end.axle"
        :style="{
          left: `${end.axle === 'front' ? end.x + 52 : end.x - 232}px`,
          top: `${drawing.ground + 8 + (end.axle === 'rear' ? drawing.rearDrop : 0)}px`,
        }"
      >
        <p class="axle">{{ end.axle }} axle</p>
        <p class="label">
          <i class="swatch" />standing <b>{{ show(workbench.looked[end.axle].standing_load, "force") }}</b>
        </p>
        <NumberTag class="speed" label="at speed" :headline="`${end.axle}.load`" dimension="force" />
        <NumberTag class="braking" label="braking" :headline="`${end.axle}.limit_load`" dimension="force" />
        <NumberTag v-if="end.axle === 'front'" label="ideal share" headline="ideal_share" dimension="share" />
        <NumberTag v-else label="tyre limit" headline="limit_deceleration" dimension="deceleration" />
      </div>
      <p v-if="workbench.looked.rear_lifts" class="watch lifts" role="status">
        The rear wheels lift before the front tyres reach their limit.
      </p>
    </template>
  </section>
</template>

<style scoped>
section {
  min-height: 0;
  overflow: hidden;
  position: relative;
}
svg {
  display: block;
  position: absolute;
}
.ground,
.measure,
.heading {
  fill: none;
  stroke: var(--soft);
}
.measure {
  stroke-dasharray: 2 3;
}
.front {
  --own: var(--front);
  --wash: var(--front-wash);
}
.rear {
  --own: var(--rear);
  --wash: var(--rear-wash);
}
.tyre {
  fill: none;
  stroke: var(--own);
  stroke-width: 2;
}
.rear .tyre,
.rear .load {
  stroke-dasharray: 6 3;
}
.hub {
  fill: var(--own);
}
.chassis {
  stroke: var(--rule);
  stroke-width: 10;
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
.cg circle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.cg path {
  fill: var(--ink);
}
text {
  fill: var(--soft);
  font-family: var(--narrow);
  font-size: 12.5px;
}
.numbers {
  position: absolute;
  width: 180px;
}
.numbers.rear {
  text-align: right;
}
.numbers.rear :deep(button) {
  margin-left: auto;
}
.swatch,
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
  font-weight: 600;
}
.numbers.front .axle {
  color: var(--front);
}
.numbers.rear .axle {
  color: var(--rear);
}
.axle::first-letter {
  text-transform: uppercase;
}
.label b {
  color: var(--ink);
  font-size: 1rem;
  font-weight: 500;
  font-family: var(--text);
}
.lifts {
  bottom: 0;
  left: 0;
  position: absolute;
}
</style>
