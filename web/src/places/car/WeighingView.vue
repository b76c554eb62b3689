<script setup lang="ts">
// The weighing as in the workshop: the car on its scales, the rear raised by the lift that was typed.
import { useElementSize } from "@vueuse/core";
import { computed, useTemplateRef } from "vue";
import { show } from "@/units/units";
import { useMeasurements } from "@/workbench/question";
import { useWorkbench } from "@/workbench/workbench";
import CgMark from "@/drawings/CgMark.vue";
import { layOutWeighing } from "./weighingView";

const props = defineProps<{ raised?: boolean }>();
const box = useTemplateRef<HTMLElement>("box");
const { width, height } = useElementSize(box);
const workbench = useWorkbench();
const measurements = useMeasurements();
const car = computed(() => workbench.bench?.car);
const readings = computed(() => car.value?.measured.weighing);
const weighing = computed(() => measurements.answer?.weighing ?? null);
const layout = computed(() =>
  car.value && width.value > 0
    ? layOutWeighing(car.value, weighing.value, props.raised, width.value, height.value)
    : null,
);
const onFront = computed(() => (props.raised ? readings.value?.raised_front : weighing.value?.front));
const onRear = computed(() => (props.raised ? readings.value?.raised_rear : weighing.value?.rear));
</script>

<template>
  <section ref="box" aria-label="The weighing, to scale">
    <svg
      v-if="layout && car"
      :width="width"
      :height="height"
      role="img"
      aria-label="The car on its scales, to scale"
    >
      <path class="fine" :d="`M20 ${layout.ground + 10}H${width - 20}`" />
      <path class="chassis" :d="`M${layout.front.x} ${layout.front.y}L${layout.rear.x} ${layout.rear.y}`" />
      <g class="front">
        <circle class="tyre" :cx="layout.front.x" :cy="layout.front.y" :r="layout.front.radius" />
        <rect class="scales" :x="layout.front.x - 34" :y="layout.ground" width="68" height="10" />
        <text :x="layout.front.x" :y="layout.ground + 30" text-anchor="middle">
          front {{ show(onFront, "reading") }}
        </text>
      </g>
      <g class="rear">
        <rect
          v-if="layout.ground - layout.rear.floor > 2"
          class="stand"
          :x="layout.rear.x - 26"
          :y="layout.rear.floor + 10"
          width="52"
          :height="layout.ground - layout.rear.floor"
        />
        <circle class="tyre" :cx="layout.rear.x" :cy="layout.rear.y" :r="layout.rear.radius" />
        <rect class="scales" :x="layout.rear.x - 34" :y="layout.rear.floor" width="68" height="10" />
        <text :x="layout.rear.x" :y="layout.ground + 30" text-anchor="middle">
          rear {{ show(onRear, "reading") }}
        </text>
      </g>
      <template v-if="props.raised && readings?.lift">
        <path
          class="fine"
          :d="`M${layout.rear.x + 46} ${layout.ground}h14m-7 0V${layout.rear.floor}m-7 0h14`"
        />
        <text :x="layout.rear.x + 66" :y="(layout.ground + layout.rear.floor) / 2 + 4">
          {{ show(readings.lift, "length") }}
        </text>
      </template>
      <CgMark v-if="layout.cg" :x="layout.cg.x" :y="layout.cg.y">
        <text
          :x="props.raised ? -13 : 0"
          :y="props.raised ? -4 : -14"
          :text-anchor="props.raised ? 'end' : 'middle'"
        >
          {{ show(weighing?.cg_height, "length") }} high, ±{{ show(weighing?.cg_error, "length") }}
        </text>
      </CgMark>
    </svg>
  </section>
</template>

<style scoped src="@/drawings/carDrawing.css"></style>
<style scoped>
.scales {
  fill: var(--wash);
  stroke: var(--own);
}
.stand {
  fill: none;
  stroke: var(--soft);
  stroke-dasharray: 3 3;
}
</style>
